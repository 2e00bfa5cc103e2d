// What a capture will hold at the present settings, from the finder's light: shares clipped and lost, room to the chosen share,
// the stopline, the scene's range. Counted when the light changes, worked out when a setting does.
import type { ExposureSettings } from '../exposure/settings';
import { MEANINGFUL_SHARE } from '../raw/shares';
import {
  countLevels,
  expectedHeadroomOfFile,
  forecastOfLevels,
  headroomOfLevels,
  clipSignal,
  responseOf,
  type Forecast,
  type Levels,
  type PerChannel,
  type SiteResponse,
} from '../scopes/levels';
import { rangeOfScene, signalOfSnr } from '../scopes/limits';
import type { RangeReport } from '../sequence/plan-bracket';
import type { Samples } from './source';
import { withoutSparkle, type Sparkle, type Tolerance } from '../scopes/sparkle';
import { expectedStopline, type Stopline } from '../scopes/stopline';
import type { SensorModel } from '../sensor/sensor';

export interface OutlookAsk {
  /** How much may burn, and how large a highlight is not counted. */
  readonly tolerance: Tolerance;
  /** Signal to noise from which raw is called clean, dB. */
  readonly cleanDb: number;
}

/** The handbook's share: a thousandth of a channel, nothing tolerated. */
export const TOLERANCE: Tolerance = { share: MEANINGFUL_SHARE, area: 0 };

export interface Outlook {
  readonly levels: Levels;
  readonly response: SiteResponse;
  readonly forecast: Forecast;
  /** Stops of light until more than the share of a channel clips, sparkle left out; negative when it is over, Infinity without light. */
  readonly headroomEv: number;
  /** The headroom that the file will tell afterwards: noise included, nothing tolerated but a thousandth. */
  readonly headroomOfFileEv: number;
  /** Share of each channel's sites that is sparkle. */
  readonly sparkle: PerChannel<number>;
  readonly stopline: Stopline;
  readonly range: RangeReport;
  /** Where raw is clean, stops below saturation. */
  readonly cleanEv: number;
}

export interface Outlooks {
  /** Takes new light: lx on every sample. It must stay as it is until the next call. */
  count(samples: Samples): void;
  at(settings: Pick<ExposureSettings, 'shutterS' | 'iso'>, ask: OutlookAsk): Outlook;
}

export function outlooks(sensor: SensorModel): Outlooks {
  let samples: Samples = { light: new Float32Array(0), width: 1 };
  let levels: Levels | undefined;
  let counted = 0;
  let sparkle: { key: string; sparkle: Sparkle } | undefined;
  let last: { key: string; outlook: Outlook } | undefined;
  return {
    count: (next) => {
      samples = next;
      levels = countLevels(next.light, next.width);
      counted++;
    },
    at: ({ shutterS, iso }, { tolerance, cleanDb }) => {
      if (!levels) throw new Error('No light was counted');
      const key = `${counted} ${shutterS} ${iso} ${tolerance.share} ${tolerance.area} ${cleanDb}`;
      if (last?.key === key) return last.outlook;
      const response = responseOf(sensor, { shutterS, iso });
      const sparkleKey = `${counted} ${tolerance.share} ${tolerance.area}`;
      if (sparkle?.key !== sparkleKey)
        sparkle = {
          key: sparkleKey,
          sparkle: withoutSparkle(
            samples.light,
            samples.width,
            samples.light.length / samples.width,
            levels,
            tolerance,
          ),
        };
      const headroomEv = headroomWithout(sparkle.sparkle, response, tolerance.share);
      const outlook: Outlook = {
        levels,
        response,
        forecast: forecastOfLevels(levels, response),
        headroomEv,
        headroomOfFileEv: expectedHeadroomOfFile(levels, response, MEANINGFUL_SHARE),
        sparkle: sparkle.sparkle.tolerated,
        stopline: expectedStopline(levels, response),
        range: rangeOfScene(levels, response, headroomEv, cleanDb),
        cleanEv: Math.log2(signalOfSnr(response.noise, cleanDb) / (response.white - response.black)),
      };
      last = { key, outlook };
      return outlook;
    },
  };
}

/** Room until what is left without sparkle passes the share, or until sparkle would grow together. */
export function headroomWithout({ levels, mostLux }: Sparkle, response: SiteResponse, share: number): number {
  const room = headroomOfLevels(levels, response, share);
  if (mostLux === Infinity) return room;
  return Math.min(room, Math.log2(clipSignal(response) / (mostLux * response.signalPerLux)));
}
