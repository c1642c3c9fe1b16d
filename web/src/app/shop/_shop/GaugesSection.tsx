'use client';

import {
  asShown,
  parseNumber,
  calibrationDue,
  daysToCalibration,
  drifts,
  freshId,
  gaugeKinds,
  gaugesInUse,
  idsOf,
  isOverdue,
  phrase,
  printPhrase,
  unitOfGauge,
  type GaugeKind,
  type KeptGauge,
  type ShopState,
} from '@holotonos/core';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { Button } from '@/ui/bootstrap';
import type { WriteShop } from '@/shop/useShop';
import { TypedChoice, TypedEnd, TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
import { useWhen } from '@/frame/BenchContext';

/** A calibration that runs out so soon is worth a word, days. */
const soonDays = 30;

function CalibrationWords({ gauge, now }: { gauge: KeptGauge; now: string }) {
  const { dayText, zone } = useWhen();
  const due = calibrationDue(gauge);
  if (due === null) return <span className="soft">no date written down</span>;
  const days = daysToCalibration(gauge, now, zone) ?? 0;
  if (isOverdue(gauge, now, zone)) return <strong className="overdue">overdue since {dayText(due)}</strong>;
  return days <= soonDays ? <strong>due {dayText(due)}</strong> : <>until {dayText(due)}</>;
}

const blank = {
  id: '',
  name: '',
  kind: 'caliper' as GaugeKind,
  resolution: '0.01',
  error: '0.02',
  on: '',
  every: '12',
  unit: 'marks',
  closed: '0',
  open: '100',
};
const draftOf = (gauge: KeptGauge): typeof blank => ({
  id: gauge.id,
  name: gauge.name,
  kind: gauge.kind,
  resolution: String(gauge.resolution),
  error: String(gauge.maxPermissibleError),
  on: gauge.calibratedOn ?? '',
  every: String(gauge.calibrateEvery),
  unit: gauge.scale?.unit ?? 'marks',
  closed: String(gauge.scale?.closed ?? 0),
  open: String(gauge.scale?.open ?? 100),
});

function GaugeForm({
  start,
  known,
  gauges,
  write,
  done,
}: {
  start: typeof blank;
  known: boolean;
  gauges: readonly KeptGauge[];
  write: WriteShop;
  done: () => void;
}) {
  const { control, submit, problem } = useTypedForm(
    start,
    (draft) => {
      const figure = (text: string) => parseNumber(text) ?? NaN;
      const { unit, closed, open } = draft;
      const scale = { unit: unit.trim(), closed: figure(closed), open: figure(open) };
      return write('gauge', {
        id: known ? draft.id : freshId(draft.name, 'gauge', idsOf(gauges)),
        name: draft.name.trim(),
        kind: draft.kind,
        resolution: figure(draft.resolution),
        maxPermissibleError: figure(draft.error),
        calibrateEvery: figure(draft.every),
        ...(draft.on !== '' && { calibratedOn: draft.on }),
        ...(draft.kind === 'leak-scale' && { scale }),
      });
    },
    done,
  );
  const [kind, unit] = useWatch({ control, name: ['kind', 'unit'] });
  /** a tester that shows marks of its own, or how far a pressure drops */
  const hasScale = kind === 'leak-scale';
  const own = hasScale ? unit.trim() || 'marks' : unitOfGauge(kind);
  const figure = { control, inputMode: 'decimal' } as const;
  return (
    <form className="shop-form" onSubmit={submit}>
      <TypedText control={control} name="name" label="Name" />
      <TypedChoice
        control={control}
        name="kind"
        label="Kind"
        choices={gaugeKinds.map((each) => [each, each.replaceAll('-', ' ')])}
      />
      {hasScale && <TypedText control={control} name="unit" label="What it counts in, such as marks or kPa" />}
      {hasScale && <TypedText {...figure} name="closed" label={`Shows with everything shut, ${own}`} />}
      {hasScale && <TypedText {...figure} name="open" label={`Shows with everything open, ${own}`} />}
      <TypedText {...figure} name="resolution" label={`Smallest step, ${own}`} />
      <TypedText {...figure} name="error" label={`Largest error, ${own}`} />
      <TypedText control={control} name="on" label="Calibrated on" type="date" />
      <TypedText {...figure} name="every" label="Good for, months" />
      <TypedEnd
        control={control}
        needs={['name']}
        action={known ? 'Keep the change' : 'Put it on the shelf'}
        onBack={done}
        problem={problem}
      />
    </form>
  );
}

function ZeroCheck({ gauge, write, done }: { gauge: KeptGauge; write: WriteShop; done: () => void }) {
  const { control, submit, problem } = useTypedForm(
    { shows: '', note: '' },
    ({ shows, note }) => {
      const figure = parseNumber(shows);
      if (figure === null) return { at: 'shows', words: `${gauge.name}: type a figure, such as 0.02.` } as const;
      return write('gauge-check', {
        gauge: gauge.id,
        shows: figure,
        ...(note.trim() !== '' && { note: note.trim() }),
      });
    },
    done,
  );
  return (
    <form className="shop-form" onSubmit={submit}>
      <TypedText
        control={control}
        name="shows"
        label={`${gauge.name} shows at zero, ${gauge.scale?.unit ?? unitOfGauge(gauge.kind)}`}
        inputMode="decimal"
        autoFocus
      />
      <TypedText control={control} name="note" label="Note" />
      <TypedEnd control={control} needs={['shows']} action="Write the check down" onBack={done} problem={problem} />
    </form>
  );
}

/** The gauges of the shop: what they are good for, when they were last looked at, what they showed at zero. */
export function GaugesSection({ shop, write, now }: { shop: ShopState; write: WriteShop; now: string }) {
  const { momentText } = useWhen();
  const [open, setOpen] = useState<{ id: string; what: 'edit' | 'zero' } | null>(null);
  const moved = drifts(shop);
  const shelf = gaugesInUse(shop);
  const close = () => setOpen(null);
  return (
    <section className="sheet" aria-labelledby="gauges">
      <div className="d-flex justify-content-between align-items-start gap-3">
        <h2 id="gauges">Gauges</h2>
        <Button variant="quiet" onClick={() => setOpen({ id: '', what: 'edit' })}>
          Another gauge
        </Button>
      </div>
      {open?.id === '' && <GaugeForm start={blank} known={false} gauges={shop.gauges} write={write} done={close} />}
      {moved.map(({ gauge: id, from, to, by }) => {
        const gauge = shop.gauges.find((each) => each.id === id);
        return (
          gauge && (
            <p key={`${id}${from}`} className="say attention">
              {gauge.name} moved by {printPhrase(phrase`${asShown(gauge, by)}`, 'mm')} between {momentText(from)} and{' '}
              {momentText(to)}: what it read in between is marked as doubtful.
            </p>
          )
        );
      })}
      <table className="readings shop-table">
        <caption className="visually-hidden">Gauges of the shop</caption>
        <thead>
          <tr>
            <th scope="col">Gauge</th>
            <th scope="col">Step</th>
            <th scope="col">Error</th>
            <th scope="col">Calibration</th>
            <th scope="col">Last zero check</th>
            <th scope="col">
              <span className="visually-hidden">Do</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {shelf.map((gauge) => {
            const check = shop.checks.filter((each) => each.gauge === gauge.id).at(-1);
            const unit = gauge.scale?.unit ?? unitOfGauge(gauge.kind);
            return (
              <tr key={gauge.id}>
                <th scope="row">
                  {gauge.name}
                  {gauge.scale && (
                    <span className="soft">
                      {' '}
                      ({gauge.scale.closed} shut, {gauge.scale.open} open)
                    </span>
                  )}
                </th>
                <td className="text-nowrap">
                  {gauge.resolution} {unit}
                </td>
                <td className="text-nowrap">
                  ± {gauge.maxPermissibleError} {unit}
                </td>
                <td className="text-nowrap">
                  <CalibrationWords gauge={gauge} now={now} />
                </td>
                <td>
                  {check ? (
                    <>
                      {String(check.shows).replace('-', '−')} {unit}{' '}
                      <span className="soft">
                        {momentText(check.benchTime)}, {check.author}
                        {check.note ? `: ${check.note}` : ''}
                      </span>
                    </>
                  ) : (
                    <span className="soft">none</span>
                  )}
                </td>
                <td className="text-nowrap acts">
                  <Button
                    variant="quiet"
                    aria-label={`Zero check of ${gauge.name}`}
                    onClick={() => setOpen({ id: gauge.id, what: 'zero' })}
                  >
                    Zero check
                  </Button>{' '}
                  <Button
                    variant="quiet"
                    aria-label={`Change ${gauge.name}`}
                    onClick={() => setOpen({ id: gauge.id, what: 'edit' })}
                  >
                    Change
                  </Button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {shelf
        .filter(({ id }) => id === open?.id)
        .map((gauge) =>
          open?.what === 'zero' ? (
            <ZeroCheck key={`zero ${gauge.id}`} gauge={gauge} write={write} done={close} />
          ) : (
            <GaugeForm
              key={`edit ${gauge.id}`}
              start={draftOf(gauge)}
              known
              gauges={shop.gauges}
              write={write}
              done={close}
            />
          ),
        )}
    </section>
  );
}
