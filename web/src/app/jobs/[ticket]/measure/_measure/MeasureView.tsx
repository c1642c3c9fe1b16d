'use client';

import { groupNamed, pointKey, referenceKey, type MeasuringPoint } from '@holotonos/core';
import { useRouter, useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useJob } from '@/job/JobContext';
import { isMeasuredGroup, partsToMeasure, type MeasuredGroup } from '@/figure/groups';
import { MeasurePart } from './MeasurePart';
import { place, quarterClocks, rowsOf, type Row } from './placeRows';

/** Every group of measures of the instrument, part by part, walked with the keyboard alone. */
export function MeasureView() {
  const { ticket, type, names, state, judgement, write } = useJob();
  const router = useRouter();
  const query = useSearchParams();
  const wanted = query.get('group');
  const group: MeasuredGroup = isMeasuredGroup(wanted) ? wanted : 'pad';
  const parts = useMemo(() => partsToMeasure(type, group), [type, group]);
  const asked = query.get('part') ?? '';
  const part = parts.includes(asked) ? asked : (parts[0] ?? '');
  const [extra, setExtra] = useState<readonly { of: string; at: number }[]>([]);
  /** the key a bell is gauged by, where it is not the largest */
  const [gaugeKey, setGaugeKey] = useState<number | undefined>(undefined);
  const rows = useMemo(() => {
    const known = rowsOf(state, type, judgement, group, part);
    const keys = new Set(known.map(({ key }) => key));
    const { measure = 'deviation', clocks = [] } = groupNamed(group)?.stations ?? {};
    const more = extra
      .filter(({ of }) => of === `${group} ${part}`)
      .flatMap(({ at }) => clocks.map((clock): MeasuringPoint => ({ group, part, measure, at, clock })))
      .filter((point) => !keys.has(pointKey(point)));
    const ofKey =
      gaugeKey !== undefined && group === 'body-line' && referenceKey(type, part, gaugeKey)
        ? quarterClocks
            .map((clock): MeasuringPoint => ({ group, part, measure: 'key-gap', at: gaugeKey, clock }))
            .filter((point) => !keys.has(pointKey(point)))
        : [];
    return [
      ...known,
      ...[...more, ...ofKey].map((point): Row => ({
        point,
        fresh: [],
        stale: [],
        mean: null,
        key: pointKey(point),
        place: place(point, state.unit, type),
        state: 'unmeasured',
        conformity: null,
        optional: true,
      })),
    ];
  }, [state, type, judgement, group, part, extra, gaugeKey]);
  const link = type.links.find(({ id }) => id === part);
  const nameOf = (id: string) => names.get(id) ?? id;
  const go = (toGroup: MeasuredGroup, to: string) =>
    router.replace(`/jobs/${ticket}/measure?group=${toGroup}&part=${to}`, { scroll: false });
  usePageKeys(pageKeys.measure.keys);

  return (
    <MeasurePart
      key={`${group} ${part}`}
      group={group}
      part={part}
      parts={parts}
      rows={rows}
      onStation={(at) => setExtra((now) => [...now, { of: `${group} ${part}`, at }])}
      gaugeKey={gaugeKey}
      onGaugeKey={setGaugeKey}
      go={go}
      onUndo={() => {
        const last = state.entries.findLast(
          (entry) =>
            entry.kind === 'reading' &&
            entry.body.point.group === group &&
            entry.body.point.part === part &&
            !state.struck.has(entry.id),
        );
        if (!last || last.kind !== 'reading') return null;
        write('strike', { entry: last.id, reason: 'undone while measuring' });
        return last.body.point;
      }}
      partName={link ? `${nameOf(link.driver)} to ${nameOf(link.follower)}` : nameOf(part)}
    />
  );
}
