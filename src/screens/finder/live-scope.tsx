// A scope of the newest report, drawn by the painter, or by the page where there is none. Nothing of React wakes for a report.
import { useEffect, useId, useRef } from 'react';
import type { Report } from '../../camera/report';
import { latestReport, rawOf, useReport } from '../../live/report';
import { useDesk } from '../../live/desk';
import { paintScope, penFor, pixelStore, type ScopeData, type ScopeLook } from '../../ui/scopes/paint';
import { change, handOver, letGo, show, usePainter } from '../../ui/scopes/painter';
import { ScopeCanvas, useSheet } from '../../ui/scopes/scope';

/** What of a report the scopes show. */
function dataOf(report: Report | null): ScopeData | null {
  if (!report) return null;
  const raw = rawOf(report);
  return {
    raw: raw && {
      stopline: raw.stopline,
      ...{ floorEv: raw.floorEv, midGreyEv: raw.midGreyEv, cleanEv: raw.cleanEv, tones: raw.toneLimits },
    },
    picture: report.picture,
    pins: report.pins,
  };
}

// Once for all scopes: the painter draws each of them anew.
useReport.subscribe(({ report }, before) => {
  if (report !== before.report) show(dataOf(report));
});

interface Props {
  readonly width: number;
  readonly height: number;
  readonly look: ScopeLook;
}

export function LiveScope(props: Props) {
  const by = usePainter((painter) => painter.by);
  return by === 'painter' ? <ByPainter {...props} /> : <ByPage {...props} />;
}

function ByPainter({ width, height, look }: Props) {
  const id = useId();
  const ref = useRef<HTMLCanvasElement>(null);
  const told = useRef('');
  const theme = useDesk((d) => d.theme);
  const sheet = useSheet(width, height, theme);
  useEffect(() => {
    const key = JSON.stringify([sheet, look]);
    if (key === told.current) return;
    if (told.current) change(id, sheet, look);
    else if (ref.current) handOver(id, ref.current, sheet, look);
    told.current = key;
  });
  useEffect(() => () => letGo(id), [id]);
  return <ScopeCanvas host={ref} width={width} height={height} />;
}

function ByPage({ width, height, look }: Props) {
  const ref = useRef<HTMLCanvasElement>(null);
  const theme = useDesk((d) => d.theme);
  const sheet = useSheet(width, height, theme);
  useEffect(() => {
    const pixels = pixelStore();
    const draw = (report: Report | null) => {
      const pen = ref.current && penFor(ref.current, sheet, pixels);
      if (pen) paintScope(pen, look, dataOf(report));
    };
    draw(latestReport());
    return useReport.subscribe(({ report }, before) => {
      if (report !== before.report) draw(report);
    });
  });
  return <ScopeCanvas host={ref} width={width} height={height} />;
}
