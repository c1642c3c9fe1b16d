'use client';

import {
  corkAnswer,
  corkKinds,
  cutFrom,
  freshId,
  parseNumber,
  parseSize,
  phrase,
  printFigure,
  printPhrase,
  size,
  tenonGap,
  usualSqueeze,
  type CorkAnswer,
  type CorkKind,
  type CorkPoint,
  type CorkPointBody,
  type StockState,
} from '@holotonos/core';
import { useRouter, useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { FigureForm, sizeIn } from '@/ui/FigureForm';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { useDrawers, type WriteStock } from '@/shop/useStock';
import { Button } from '@/ui/bootstrap';
import { ChoiceField, figureField, Problem, TextField } from '@/ui/fields';
import { useWrongField } from '@/ui/useWrongField';
import { PickCell } from '@/ui/PickCell';
import { PadsNav } from './PadsNav';

const kindWords: Record<CorkKind, string> = { cork: 'cork', felt: 'felt', bumper: 'bumper', tenon: 'tenon cork' };

/** A place as it stands, without what the logbook adds. */
const bodyOf = ({ entry: _, seq: __, ...body }: CorkPoint): CorkPointBody => body;

/** One more place: where, what, and what it has to fill as far as anybody knows. */
function NewPlace({ onWritten }: { onWritten: (id: string) => void }) {
  const { state, type, names, write } = useJob();
  const unit = state.unit;
  const [written, setWritten] = useState(0);
  const parts = [...type.keys.map((key) => key.id), ...type.joints.map((joint) => joint.id)];
  const [part, setPart] = useState(parts[0] ?? '');
  const [kind, setKind] = useState<CorkKind>('cork');
  const [text, setText] = useState({ place: '', gap: '', length: '', width: '', squeeze: '' });
  const wrong = useWrongField();
  const set = (change: Partial<typeof text>) => setText((before) => ({ ...before, ...change }));
  const submit = () => {
    if (text.place.trim() === '') return wrong.say('place', 'Say where on the part, such as: under the foot.');
    const sizes: Partial<Record<'gap' | 'length' | 'width', number>> = {};
    for (const field of ['gap', 'length', 'width'] as const) {
      if (text[field].trim() === '') continue;
      const parsed = parseSize(text[field], unit);
      if (!parsed.ok) return wrong.say(field, parsed.problem);
      sizes[field] = parsed.mm;
    }
    const percent = text.squeeze.trim() === '' ? null : parseNumber(text.squeeze.replace('%', ''));
    if (text.squeeze.trim() !== '' && (percent === null || percent < 0 || percent > 50))
      return wrong.say('squeeze', 'Squeeze: type a share of 0 to 50 %.');
    const own = freshId(`${part} ${text.place}`, 'place', state.corks.keys());
    const body = {
      id: own,
      part,
      place: text.place.trim(),
      kind,
      ...sizes,
      ...(percent !== null && { squeeze: percent / 100 }),
    };
    if (!write('cork-point', body)) return;
    wrong.sayNothing();
    set({ place: '', gap: '' });
    setWritten(written + 1);
    onWritten(own);
  };
  const figure = (name: 'gap' | 'length' | 'width' | 'squeeze', label: string, placeholder = '') => (
    <TextField
      label={label}
      {...figureField}
      placeholder={placeholder}
      value={text[name]}
      set={(typed) => set({ [name]: typed })}
      wrongBy={wrong.wrongBy(name)}
    />
  );
  return (
    <form
      className="pad-line"
      aria-label="One more place"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <div className="pad-fields">
        <ChoiceField
          label="Part"
          name="part"
          value={part}
          set={setPart}
          choices={parts.map((each) => [each, names.get(each) ?? each])}
        />
        <TextField
          // After each place the next one is typed at once.
          key={written}
          label="Where on it"
          autoComplete="off"
          autoFocus={written > 0}
          value={text.place}
          set={(place) => set({ place })}
          wrongBy={wrong.wrongBy('place')}
        />
        <ChoiceField
          label="What"
          name="what"
          value={kind}
          set={setKind}
          choices={corkKinds.map((each) => [each, kindWords[each]])}
        />
        {figure('gap', `Has to fill, ${unit}`)}
        {figure('length', `Long, ${unit}`)}
        {figure('width', `Wide, ${unit}`)}
        {figure('squeeze', 'Squeeze, %', String(Math.round(usualSqueeze[kind] * 100)))}
        <Button type="submit">Write it down</Button>
      </div>
      {wrong.line}
    </form>
  );
}

/** What the answer says, and the act of cutting: what is left goes back to the drawers as an offcut. */
function Cutting({ point, answer, writeStock }: { point: CorkPoint; answer: CorkAnswer; writeStock: WriteStock }) {
  const { ticket, state, write } = useJob();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const unit = state.unit;
  const figure = (mm: number) => `${printFigure(mm, unit)} ${unit}`;
  const { sheet, piece, need, takeOff, layers } = answer;
  const wanted =
    point.length !== undefined && point.width !== undefined ? { length: point.length, width: point.width } : null;
  const kind = sheet?.kind === 'felt' ? 'felt' : 'cork';
  const words = piece
    ? printPhrase(phrase`${piece.kind} ${size(piece.thickness)}, ${size(piece.length)} × ${size(piece.width)}`, unit)
    : '';
  const tried = (from: 'offcut' | 'sheet') => write('cork-point', { ...bodyOf(point), tried: need, from });
  /** The drawers first: what they refuse was not cut. */
  const cut = async (from: 'offcut' | 'sheet') => {
    if (!sheet) return;
    setBusy(true);
    const source = from === 'offcut' ? piece : sheet;
    const thickness = sheet.thickness ?? 0;
    const whole =
      source?.length !== undefined && source.width !== undefined
        ? { length: source.length, width: source.width }
        : null;
    const left = wanted && whole ? (cutFrom(whole, wanted) ?? []) : [];
    const [first] = left;
    let wrong: string | null = null;
    if (from === 'sheet') wrong = await writeStock('move', { item: sheet.id, why: 'taken', count: 1, note: ticket });
    if (from === 'offcut' && piece)
      wrong = await writeStock('offcut', first ? { ...piece, ...first } : { ...piece, gone: true });
    for (const [i, each] of (from === 'offcut' ? left.slice(1) : left).entries())
      wrong ??= await writeStock('offcut', { id: `${kind}-${Date.now().toString(36)}-${i}`, kind, thickness, ...each });
    setBusy(false);
    setProblem(wrong);
    if (wrong === null) tried(from);
  };
  return (
    <>
      <p className="mb-2">
        <strong>{figure(need)} thick</strong> to fill {figure(point.gap ?? 0)} pressed by{' '}
        {Math.round((point.squeeze ?? usualSqueeze[point.kind]) * 100)} %.{' '}
        {sheet
          ? `From the sheet of ${figure(sheet.thickness ?? 0)}, ${figure(takeOff ?? 0)} to be taken off.`
          : layers
            ? `No sheet is thick enough: ${figure(layers[0])} and ${figure(layers[1])} on each other.`
            : 'No sheet of the drawers is thick enough, nor are two.'}
      </p>
      {sheet && (
        <div className="d-flex flex-wrap gap-2">
          {piece && (
            <Button disabled={busy} onClick={() => void cut('offcut')}>
              Cut from the offcut {words}
            </Button>
          )}
          <Button variant={piece ? 'quiet' : 'primary'} disabled={busy} onClick={() => void cut('sheet')}>
            Cut from a new sheet{sheet.count <= 0 ? ' (none there)' : ''}
          </Button>
          {!wanted && (
            <span className="soft">With its length and width an offcut is looked for, and what is left is kept.</span>
          )}
        </div>
      )}
      <Problem problem={problem} />
    </>
  );
}

/** What became of a place: as it was cut, and as it turned out right at assembly. */
function Final({ point }: { point: CorkPoint }) {
  const { state, write } = useJob();
  return (
    <FigureForm
      label={`Right at assembly at, ${state.unit}`}
      action="That is it"
      quiet
      className="mt-3"
      read={sizeIn(state.unit)}
      onTaken={(final) => write('cork-point', { ...bodyOf(point), final })}
    >
      <Button variant="quiet" onClick={() => write('cork-point', { ...bodyOf(point), removed: true })}>
        No such place after all
      </Button>
    </FigureForm>
  );
}

/** Every place of a job that wants cork, felt or a bumper: a guess now, the truth at assembly. */
export function CorksView({ first }: { first: StockState }) {
  const { ticket, type, state, names, write } = useJob();
  const { stock, write: writeStock } = useDrawers(first);
  const router = useRouter();
  const here = useSearchParams().get('place');
  usePageKeys(pageKeys.corks.keys);
  const unit = state.unit;
  const points = [...state.corks.values()];
  const point = points.find(({ id }) => id === here) ?? points.at(-1);
  const go = (id: string) => router.replace(`/jobs/${ticket}/pads/corks?place=${id}`);
  const figure = (mm: number | undefined) => (mm === undefined ? '' : printFigure(mm, unit));
  const answer = point && corkAnswer(point, stock);
  // A corked joint that was read says by itself what its cork has to fill.
  const tenons = type.joints.flatMap(({ id, kind, length }) => {
    const gap =
      kind === 'corked' && !points.some(({ part, kind: of }) => part === id && of === 'tenon')
        ? tenonGap(state, type, id)
        : null;
    return gap === null ? [] : [{ id, gap, length }];
  });
  return (
    <Bands
      work={
        <div className="pads-page">
          <PadsNav usual="set" />
          <NewPlace onWritten={go} />
          {tenons.map(({ id, gap }) => (
            <p key={id} className="say attention mb-2">
              By the figures the cork of {names.get(id) ?? id} has to fill {figure(gap)} {unit}.{' '}
              <Button
                variant="quiet"
                onClick={() => {
                  const own = freshId(`${id} tenon`, 'place', state.corks.keys());
                  if (write('cork-point', { id: own, part: id, place: 'tenon', kind: 'tenon', gap })) go(own);
                }}
              >
                Write it down
              </Button>
            </p>
          ))}
          {point ? (
            <div className="shims">
              <div className="scroll-x">
                <table className="readings">
                  <caption className="visually-hidden">Places that want cork, felt or a bumper</caption>
                  <thead>
                    <tr>
                      <th scope="col">Place</th>
                      <th scope="col">What</th>
                      <th scope="col" className="num">
                        Fills, {unit}
                      </th>
                      <th scope="col" className="num">
                        Cut
                      </th>
                      <th scope="col" className="num">
                        Right
                      </th>
                    </tr>
                  </thead>
                  <tbody>
                    {points.map(({ id, part, place, kind, gap, tried, final }) => (
                      <tr key={id} className={id === point.id ? 'here' : undefined}>
                        <PickCell here={id === point.id} onPick={() => go(id)}>
                          {names.get(part) ?? part}, {place}
                        </PickCell>
                        <td>{kindWords[kind]}</td>
                        <td className="num">{figure(gap)}</td>
                        <td className="num">{figure(tried)}</td>
                        <td className="num">{figure(final)}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
              <section className="sheet" aria-label={`${names.get(point.part) ?? point.part}, ${point.place}`}>
                <h2>
                  {names.get(point.part) ?? point.part}, {point.place}
                </h2>
                {answer ? (
                  <Cutting key={point.id} point={point} answer={answer} writeStock={writeStock} />
                ) : (
                  <p className="mb-2">
                    {point.gap === undefined
                      ? 'What it has to fill is not known yet: a guess now, the truth when it is assembled.'
                      : 'No sheet of its kind lies in the drawers.'}
                  </p>
                )}
                {point.from !== undefined && (
                  <p className="soft mb-0">
                    Cut from {point.from === 'offcut' ? 'an offcut' : 'a new sheet'}, {figure(point.tried)} {unit}{' '}
                    thick.
                  </p>
                )}
                <Final key={`${point.id}-final`} point={point} />
              </section>
            </div>
          ) : (
            <p className="soft">No place is written down yet.</p>
          )}
        </div>
      }
      says={
        <p className="mb-0">
          {points.length === 0
            ? 'Corks are written down as they are found: where, what, and how much they have to fill.'
            : `${points.filter(({ final }) => final !== undefined).length} of ${points.length} are right as they are.`}
        </p>
      }
    />
  );
}
