// The normal distribution's cumulative function, by the rational approximation of Abramowitz & Stegun 7.1.26 (|error| < 7.5e-8).

export function normalCdf(z: number): number {
  const x = Math.abs(z) * Math.SQRT1_2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    0.5 *
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x);
  return z < 0 ? tail : 1 - tail;
}
