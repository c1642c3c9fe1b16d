'use client';

import {
  helperIsLighter,
  inUse,
  lineFor,
  parseLength,
  parseSize,
  printFigure,
  printQuantity,
  solveSpring,
  springQuestion,
  wiresFor,
  wireSize,
  type ForceBand,
  type SpringMaterial,
  type SpringMeasures,
  type SpringRow,
  type SpringSetBody,
  type StockState,
} from '@holotonos/core';
import { useState } from 'react';
import { useJob } from '@/job/JobContext';
import { Button } from '@/ui/bootstrap';
import { ChoiceField, figureField, TextField } from '@/ui/fields';
import { useWrongField } from '@/ui/useWrongField';

export const newtons = (value: number) => printQuantity({ value, unit: 'N' }, 'mm');

const lengths = [
  ['length', 'Root to catch'],
  ['preset', 'Bent there'],
  ['travel', 'Further'],
  ['catchRadius', 'Axis to catch'],
  ['touchRadius', 'Axis to touch'],
  ['padRadius', 'Axis to pad'],
] as const;

type Kind = 'needle' | 'flat';

const kindOf = ({ section }: Pick<SpringSetBody, 'section'>): Kind => ('diameter' in section ? 'needle' : 'flat');

type Field = (typeof lengths)[number][0] | 'diameter' | 'width' | 'thickness';

/** What the solver says of a spring in words, and what to do about it. */
function Answer({
  spring,
  row,
  band,
  material,
  stock,
  onSet,
  onChoose,
}: {
  spring: SpringMeasures;
  row: SpringRow;
  band: ForceBand;
  material: SpringMaterial;
  stock: StockState;
  onSet: (preset: number) => void;
  onChoose: (size: number, preset: number) => void;
}) {
  const { state, shop } = useJob();
  const wires = wiresFor(spring, material, stock);
  const ask = (of: SpringMeasures) => {
    const made = shop.springMaterials.find(({ id }) => id === of.material);
    return made ? solveSpring(springQuestion(of, made, band, wires)) : null;
  };
  const answer = ask(spring);
  if (!answer) return null;
  const unit = state.unit;
  const lighter = helperIsLighter({ ...row, [spring.which]: spring }, (each) => ask(each)?.rest.touch ?? null);
  const words = { light: 'too light', within: 'right', heavy: 'too strong' }[answer.verdict];
  return (
    <div className="mt-2">
      <p className={`say mb-2 ${answer.verdict === 'within' ? 'sound' : 'attention'}`}>
        <strong>
          By its measures {newtons(answer.rest.touch)} at the touch: {words}.
        </strong>{' '}
        {newtons(answer.full.touch)} when pressed, {newtons(answer.rest.pad)} at the pad. It is bent to{' '}
        {Math.round(100 / answer.safety)} % of what it can bear
        {answer.safety < 1 ? ': it will not come back' : answer.safety < 1 / 0.6 ? ': it will tire' : ''}.
      </p>
      {lighter === false && (
        <p className="say attention mb-2">The helper is as strong as its main spring: it should be lighter.</p>
      )}
      <div className="d-flex flex-wrap gap-2 align-items-center">
        {answer.verdict !== 'within' && (
          <Button onClick={() => onSet(answer.setPreset)}>
            Bent to {printFigure(answer.setPreset, unit)} {unit}
          </Button>
        )}
        {answer.choose ? (
          <Button variant="quiet" onClick={() => answer.choose && onChoose(answer.choose.size, answer.choose.preset)}>
            Renew from {printFigure(answer.choose.size, unit)} {unit}, bent {printFigure(answer.choose.preset, unit)}
          </Button>
        ) : (
          <span className="soft">
            {wires.length === 0
              ? 'No wire of its kind lies in the drawers.'
              : 'No wire of the drawers would do it without tiring.'}
          </span>
        )}
      </div>
      <p className="soft mb-0 mt-2">
        A spring that is rusted, kinked or nicked where it slides is renewed, never bent again. Feel it again once it is
        set.
      </p>
    </div>
  );
}

/** One spring by its measures: what it gives, how to set it, what to renew it from. */
export function SpringForm({ row, band, stock }: { row: SpringRow; band: ForceBand; stock: StockState }) {
  const { state, type, shop, write } = useJob();
  const unit = state.unit;
  const materials = inUse(shop.springMaterials);
  const [which, setWhich] = useState<SpringSetBody['which']>('main');
  const known = which === 'main' ? row.main : row.helper;
  const pad = type.pads.find(({ key }) => key === row.key);
  const startText = (from: SpringMeasures | null): Partial<Record<Field, string>> => {
    const figure = (mm: number) => printFigure(mm, unit);
    const texts: Partial<Record<Field, string>> = {};
    if (pad) texts.padRadius = figure(pad.axisDistance);
    if (!from) return texts;
    for (const [field] of lengths) texts[field] = figure(from[field]);
    for (const [field, value] of Object.entries(from.section)) texts[field as Field] = figure(value);
    return texts;
  };
  const [text, setText] = useState(() => startText(known));
  const [kind, setKind] = useState<Kind>(known ? kindOf(known) : (row.kinds[0] ?? 'needle'));
  const [material, setMaterial] = useState(known?.material ?? materials[0]?.id ?? '');
  const wrong = useWrongField();
  const turnTo = (next: SpringSetBody['which']) => {
    const from = next === 'main' ? row.main : row.helper;
    setWhich(next);
    setText(startText(from));
    if (from) {
      setKind(kindOf(from));
      setMaterial(from.material);
    }
  };
  const fields: (readonly [Field, string])[] = [
    ...(kind === 'needle'
      ? ([['diameter', 'Wire across']] as const)
      : ([
          ['width', 'Wide'],
          ['thickness', 'Thick'],
        ] as const)),
    ...lengths,
  ];
  const read = (complain: boolean): SpringMeasures | null => {
    const sizes: Partial<Record<Field, number>> = {};
    for (const [field, label] of fields) {
      // Only what it is bent further may be nothing.
      const parsed = (field === 'travel' ? parseLength : parseSize)(text[field] ?? '', unit);
      if (!parsed.ok || parsed.mm < 0) {
        const why = parsed.ok ? 'It cannot be less than 0.' : parsed.problem;
        if (complain) wrong.say(field, `${label}: ${why}`);
        return null;
      }
      sizes[field] = parsed.mm;
    }
    const { length = 0, preset = 0, travel = 0, catchRadius = 0, touchRadius = 0, padRadius = 0 } = sizes;
    const { diameter = 0, width = 0, thickness = 0 } = sizes;
    const section = kind === 'needle' ? { diameter } : { width, thickness };
    return { key: row.key, which, section, material, length, preset, travel, catchRadius, touchRadius, padRadius };
  };
  const spring = read(false);
  const of = shop.springMaterials.find((each) => each.id === material);
  const keep = (change: Partial<SpringSetBody> = {}) => {
    const whole = read(true);
    if (!whole) return;
    wrong.sayNothing();
    const next = { ...whole, ...change };
    if (!write('spring-set', next)) return;
    setText(startText(next));
  };
  const choose = (size: number, preset: number) => {
    if (!of || !spring) return;
    const item = wiresFor(spring, of, stock).find((wire) => wireSize(spring, wire) === size);
    if (!item) return;
    keep({
      section: 'width' in spring.section ? { ...spring.section, thickness: size } : { diameter: size },
      preset,
      done: true,
    });
    write('chosen', { lines: [lineFor('spring', row.key, item)] });
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <div className="pad-fields spring-fields">
        <ChoiceField
          label="Spring"
          name="which"
          value={which}
          set={turnTo}
          choices={[
            ['main', 'main'],
            ['helper', 'helper'],
          ]}
        />
        <ChoiceField
          label="Kind"
          name="kind"
          value={kind}
          set={setKind}
          choices={[
            ['needle', 'needle'],
            ['flat', 'flat'],
          ]}
        />
        <ChoiceField
          label="Of"
          name="of"
          value={material}
          set={setMaterial}
          choices={materials.map((each) => [each.id, each.name])}
        />
        {fields.map(([field, label]) => (
          <TextField
            key={field}
            label={`${label}, ${unit}`}
            {...figureField}
            value={text[field] ?? ''}
            set={(typed) => setText((before) => ({ ...before, [field]: typed }))}
            wrongBy={wrong.wrongBy(field)}
          />
        ))}
        <Button type="submit" variant="quiet">
          Keep its measures
        </Button>
      </div>
      {wrong.line}
      {spring && of ? (
        <Answer
          spring={spring}
          row={row}
          band={band}
          material={of}
          stock={stock}
          onSet={(preset) => keep({ preset, done: true })}
          onChoose={choose}
        />
      ) : (
        <p className="soft mb-0">
          With all its measures it is said what it gives, how to set it and what to renew it from.
        </p>
      )}
    </form>
  );
}
