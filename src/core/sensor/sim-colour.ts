// The colour of the simulated cameras: one kind of sensor behind all their lenses. Its matrices were found once (calibrate.ts; a test finds them
// anew), as a maker does: to calibrate takes longer than a finder may take to open.
import type { CameraMatrices } from '../colour/calibrated';
import { SIM_SENSITIVITIES } from './sensitivities';

const MATRICES: CameraMatrices = [
  {
    kelvin: 2856,
    matrix: [
      [0.7049305894291539, -0.09516944682506497, -0.06335005191879058],
      [-0.3545624449702862, 1.1469079844559769, 0.19474424707373203],
      [-0.08843662097982372, 0.168553637777248, 0.6220249017005423],
    ],
    forward: [
      [0.6709126772542818, 0.1524351276155275, 0.14086418955139005],
      [0.09960822850356135, 0.940744273734822, -0.040352502238383346],
      [0.17602133950787804, -0.5575172631443562, 1.2066842081553069],
    ],
  },
  {
    kelvin: 6504,
    matrix: [
      [0.626205982829226, -0.007894383446224238, -0.08932130045014924],
      [-0.4537025826821874, 1.2591166172079087, 0.1580339636776872],
      [-0.18321689544217493, 0.27582319831631125, 0.5861603854304065],
    ],
    forward: [
      [0.8906334222797425, -0.058082257411678, 0.13166082955313493],
      [0.3298184070270405, 0.7821097754151938, -0.11192818244223436],
      [0.07094281905872657, -0.25201509857894483, 1.006260564039047],
    ],
  },
];

export const SIM_COLOUR = { sensitivities: SIM_SENSITIVITIES, matrices: MATRICES } as const;
