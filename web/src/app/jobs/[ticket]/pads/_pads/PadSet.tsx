'use client';

import {
  bagTitle,
  choosePads,
  chooseResonators,
  idsOf,
  lineFor,
  openingWords,
  padLine,
  printFigure,
  printLength,
  printPhrase,
  remedyWords,
  stockId,
  stockTitle,
  usualPadSet,
  wantedPad,
  type ChosenLine,
  type PadAnswer,
  type PadRow,
  type PadSetSettings,
  type StockState,
} from '@holotonos/core';
import { useId, useMemo, useState } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useJob } from '@/job/JobContext';
import type { WriteStock } from '@/shop/useStock';
import { Button, Form } from '@/ui/bootstrap';
import { none, Settings, standWords } from './PadSetSettings';

/** What is picked in the row of a cup before it is written down: an answer by its pad and its cut, or none. */
const answerKey = ({ item, pierce }: PadAnswer) => `${item.id}${pierce === null ? '' : `@${pierce}`}`;

/** A row’s pad as it stands on the page: picked by hand, else as it was chosen, else as it is proposed. */
function pickedOf(row: PadRow, picked: ReadonlyMap<string, string>): PadAnswer | null {
  const byHand = picked.get(row.hole);
  if (byHand !== undefined) return row.answers.find((answer) => answerKey(answer) === byHand) ?? null;
  const { chosen } = row;
  if (chosen)
    return (
      row.answers.find(({ item, pierce }) => item.id === chosen.item && (pierce ?? undefined) === chosen.pierce) ?? null
    );
  return row.reuse ? null : row.suggested;
}

/** A cup nothing of the drawers goes into: what it wants, and a place for that, so that it can be chosen and ordered. */
function NoPad({
  row,
  settings,
  stock,
  writeStock,
}: {
  row: PadRow;
  settings: PadSetSettings;
  stock: StockState;
  writeStock: WriteStock;
}) {
  const { state, names } = useJob();
  const [problem, setProblem] = useState<string | null>(null);
  const wanted = wantedPad(row, settings, stock);
  const title = printPhrase(stockTitle(wanted), state.unit);
  const put = async () => {
    const id = stockId(wanted, idsOf(stock.items));
    setProblem(await writeStock('item', { id, ...wanted, soldIn: state.unit, counted: 'piece' }));
  };
  return (
    <span title={row.problem ? printPhrase(row.problem, state.unit) : undefined}>
      <span className="text-danger">None goes in.</span> {title}{' '}
      <Button
        variant="quiet"
        aria-label={`A place in the drawers for ${title}, wanted by ${names.get(row.hole) ?? row.hole}`}
        onClick={() => void put()}
      >
        To be ordered
      </Button>
      {problem !== null && (
        <span role="alert" className="text-danger">
          {' '}
          {problem}
        </span>
      )}
    </span>
  );
}

/** A set of pads for every cup at once, out of the drawers: one table, changed by keyboard, with what each pad would do. */
export function PadSet({ stock, writeStock }: { stock: StockState; writeStock: WriteStock }) {
  const { state, type, names, write } = useJob();
  const id = useId();
  usePageKeys(pageKeys.padSet.keys);
  const [settings, setSettings] = useState(usualPadSet);
  const [picked, setPicked] = useState<ReadonlyMap<string, string>>(new Map());
  const [discs, setDiscs] = useState<ReadonlyMap<string, string>>(new Map());
  const [said, setSaid] = useState('');
  const rows = useMemo(() => choosePads(state, type, stock, settings), [state, type, stock, settings]);
  const resonators = useMemo(
    () => new Map(chooseResonators(state, type, stock).map((row) => [row.hole, row])),
    [state, type, stock],
  );
  const titles = useMemo(() => new Map(stock.items.map((item) => [item.id, bagTitle(item)])), [stock]);
  const unit = state.unit;
  const discOf = (hole: string) => discs.get(hole) ?? resonators.get(hole)?.chosen?.item ?? none;

  /** What taking the set would write: only what is not written so already. */
  const changes = (): ChosenLine[] =>
    rows.flatMap((row): ChosenLine[] => {
      const lines: ChosenLine[] = [];
      const answer = pickedOf(row, picked);
      const before = row.chosen;
      if (!before?.taken) {
        if (answer) {
          const line = padLine(row, answer);
          const same =
            before?.item === line.item &&
            before.pierce === line.pierce &&
            Math.abs((before.stand ?? 0) - (line.stand ?? 0)) < 1e-6 &&
            before.bed === line.bed;
          if (!same) lines.push(line);
        } else if (before && row.answers.length > 0) lines.push(dropped(before));
      }
      const disc = resonators.get(row.hole);
      const wanted = discOf(row.hole);
      if (disc && !disc.chosen?.taken && wanted !== (disc.chosen?.item ?? none)) {
        const item = stock.items.find((each) => each.id === wanted);
        if (item) lines.push(lineFor('resonator', row.hole, item));
        else if (disc.chosen) lines.push(dropped(disc.chosen));
      }
      return lines;
    });
  const waiting = changes();
  const take = () => {
    if (waiting.length === 0) return setSaid('The set is written down as it stands.');
    if (!write('chosen', { lines: waiting })) return setSaid('');
    setPicked(new Map());
    setDiscs(new Map());
    const pads = waiting.filter(({ use, count }) => use === 'pad' && count > 0).length;
    setSaid(`${pads === 1 ? 'One pad' : `${pads} pads`} written down.`);
  };
  const wish = () =>
    setDiscs(new Map([...resonators].map(([hole, { answers }]) => [hole, answers[0]?.id ?? none] as const)));
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' || !event.ctrlKey) return;
        event.preventDefault();
        take();
      }}
    >
      <div className="pad-head">
        <Settings settings={settings} set={setSettings} stock={stock} />
        <div className="d-flex flex-wrap gap-2 align-items-end">
          <Button type="submit" aria-keyshortcuts="Control+Enter">
            {waiting.length === 0
              ? 'The set is taken'
              : `Take the set, ${waiting.length} ${waiting.length === 1 ? 'line' : 'lines'}`}
          </Button>
          {resonators.size > 0 && (
            <Button variant="quiet" onClick={wish}>
              Resonators to match
            </Button>
          )}
          <span role="status" className="soft">
            {said}
          </span>
        </div>
      </div>
      <div className="scroll-x">
        <table className="readings pads-table">
          <caption className="visually-hidden">The set, cup by cup</caption>
          <thead>
            <tr>
              <th scope="col">Cup</th>
              <th scope="col" className="num">
                Across, deep, {unit}
              </th>
              <th scope="col" className="num">
                To stand, {unit}
              </th>
              <th scope="col">Pad</th>
              <th scope="col">What it would do</th>
              {resonators.size > 0 && <th scope="col">Resonator</th>}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => {
              const name = names.get(row.hole) ?? row.hole;
              const answer = pickedOf(row, picked);
              const disc = resonators.get(row.hole);
              const isIn = row.chosen?.taken != null;
              return (
                <tr key={row.hole}>
                  <th scope="row">
                    {name}
                    {row.open && <span className="soft"> open</span>}
                    {row.hold !== 'adhesive' && <span className="soft"> {row.hold}</span>}
                  </th>
                  <td className="num">
                    <span className={row.assumed.includes('cup') ? 'soft' : undefined}>
                      {printFigure(row.cup.diameter, unit)}
                    </span>
                    {', '}
                    <span className={row.assumed.includes('cup-depth') ? 'soft' : undefined}>
                      {printFigure(row.cup.depth, unit)}
                    </span>
                    {row.assumed.length > 0 && (
                      <abbr className="assumed" title="not read: taken from the type">
                        ?
                      </abbr>
                    )}
                  </td>
                  <td className="num" title={standWords[row.standBy]}>
                    {printFigure(row.stand, unit)}
                  </td>
                  <td>
                    {isIn ? (
                      <span>
                        {row.chosen && printPhrase(stockTitle(row.chosen.thing), unit)}{' '}
                        <span className="soft">is in</span>
                      </span>
                    ) : row.problem ? (
                      <NoPad row={row} settings={settings} stock={stock} writeStock={writeStock} />
                    ) : (
                      <Form.Select
                        id={`${id}-${row.hole}`}
                        className="pad-pick"
                        aria-label={`Pad of ${name}`}
                        value={answer ? answerKey(answer) : none}
                        onChange={(event) => setPicked((before) => new Map(before).set(row.hole, event.target.value))}
                      >
                        <option value={none}>{row.reuse ? 'the old one goes back' : 'none yet'}</option>
                        {row.answers.slice(0, 12).map((each) => (
                          <option key={answerKey(each)} value={answerKey(each)}>
                            {titles.get(each.item.id)}
                            {each.pierce === null ? '' : `, punched ${printLength(each.pierce, unit)}`}
                            {each.item.count <= 0 ? ' (none there)' : ''}
                          </option>
                        ))}
                      </Form.Select>
                    )}
                  </td>
                  <td className="pad-does">
                    {answer && !isIn && (
                      <span
                        className={
                          answer.fit.remedy === 'as-is' || answer.fit.remedy === 'bed' ? undefined : 'text-danger'
                        }
                      >
                        {printPhrase(openingWords(answer), unit)}; {printPhrase(remedyWords(answer, row), unit)}
                      </span>
                    )}
                  </td>
                  {resonators.size > 0 && (
                    <td>
                      {disc &&
                        (disc.chosen?.taken ? (
                          <span>{printPhrase(stockTitle(disc.chosen.thing), unit)}</span>
                        ) : (
                          <Form.Select
                            className="pad-disc"
                            aria-label={`Resonator of ${name}`}
                            value={discOf(row.hole)}
                            onChange={(event) =>
                              setDiscs((before) => new Map(before).set(row.hole, event.target.value))
                            }
                          >
                            <option value={none}>–</option>
                            {disc.answers.slice(0, 8).map((item) => (
                              <option key={item.id} value={item.id}>
                                {titles.get(item.id)}
                              </option>
                            ))}
                          </Form.Select>
                        ))}
                    </td>
                  )}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </form>
  );
}

/** The same line as nothing after all. */
const dropped = ({ part, use, item, thing }: ChosenLine): ChosenLine => ({ part, use, item, thing, count: 0 });
