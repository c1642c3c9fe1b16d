'use client';

import { customWork, operationTitle, planTurns, entryWords, type PlanTurn } from '@holotonos/core';
import { useMemo } from 'react';
import { useJob } from '@/job/JobContext';
import { minutesText } from '@/ui/words';
import { measureWords } from '@/job/stepWords';
import { useOperationTable } from './useOperationTable';
import { useWhen } from '@/frame/BenchContext';

const shown = 5;

/** What the last entries did to the plan: what came, went and moved, what has to be looked at again, and why. */
export function PlanTurns() {
  const { state, shop, names } = useJob();
  const table = useOperationTable();
  const turns = useMemo(() => planTurns(state, customWork(shop)), [state, shop]);
  if (turns.length === 0) return <p className="soft mb-0">Nothing has turned the plan yet.</p>;
  return (
    <ol className="list-plain turns">
      {turns.slice(0, shown).map((turn) => (
        <Turn key={turn.entry.id} turn={turn} names={names} table={table} />
      ))}
    </ol>
  );
}

const most = 8;
function listed(titles: readonly string[]): string {
  const rest = titles.length - most;
  return `${titles.slice(0, most).join('; ')}${rest > 0 ? `; and ${rest} more` : ''}`;
}

function Turn({
  turn,
  names,
  table,
}: {
  turn: PlanTurn;
  names: ReadonlyMap<string, string>;
  table: ReturnType<typeof useOperationTable>;
}) {
  const { momentText } = useWhen();
  const { state } = useJob();
  const { entry, added, gone, moved, retimed, again, operations } = turn;
  const title = (id: string) => {
    const operation = operations.get(id);
    return operation ? operationTitle(operation.kind, names.get(operation.part) ?? operation.part, table) : id;
  };
  return (
    <li>
      <div>
        <span className="soft">{momentText(entry.benchTime)}</span>{' '}
        <strong>{entryWords(entry, names, state.unit)}</strong>
      </div>
      <ul className="mb-2">
        {added.length > 0 && <li>New: {listed(added.map(title))}</li>}
        {gone.length > 0 && <li>No longer: {listed(gone.map(title))}</li>}
        {again.length > 0 && (
          <li>
            To be looked at again, since “{title(again[0]?.by ?? '')}” moves{' '}
            {again[0]?.measure ? measureWords(again[0].measure, names) : 'the keys'} and more:{' '}
            {listed(again.map(({ id }) => title(id)))}
          </li>
        )}
        {moved.slice(0, most).map(({ id, past, now, reason }) => (
          <li key={id}>
            “{title(id)}” is now {now} “{title(past)}”{reason ? `: ${reason}` : '.'}
          </li>
        ))}
        {retimed.slice(0, most).map(({ id, was, now }) => (
          <li key={id}>
            “{title(id)}” takes about {minutesText(now)}, not {minutesText(was)}
          </li>
        ))}
      </ul>
    </li>
  );
}
