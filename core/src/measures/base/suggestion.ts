import { joined, phrase, type Phrase } from '../../units';
import type { FindingKind, SpringFault } from '../../vocabulary';
import type { PartReport } from './partReport';

/** A finding the figures speak for, waiting for a person to confirm, edit or decline it. */
export interface Suggestion {
  key: string;
  kind: FindingKind;
  part: string;
  severity: 1 | 2 | 3;
  /** of a spring: what is wrong with it */
  spring?: SpringFault;
  /** what the figures show */
  cause: Phrase;
  remedy: Phrase;
  why: Phrase;
  evidence: string[];
  /** the newest reading it rests on */
  newestSeq: number;
}

/** What the figures of any other part speak for. */
export const suggestFromPart = ({ part, facts, findings, evidence, newestSeq }: PartReport): Suggestion[] =>
  findings.map(({ kind, severity, spring, cause, remedy }) => ({
    key: `${kind}:${part}`,
    kind,
    part,
    severity,
    ...(spring && { spring }),
    cause,
    remedy,
    why: joined(
      facts
        .filter(({ verdict }) => verdict === 'outside')
        .map(({ words, value, unit, uncertainty, limit }) => {
          const bounds = [limit?.lower, limit?.upper].filter((side) => side !== undefined);
          const bound = joined(
            bounds.map((side) => [{ value: side, unit }]),
            ' to ',
          );
          return phrase`${words} ${{ value, unit, uncertainty }} against ${bound}`;
        }),
      '; ',
    ),
    evidence,
    newestSeq,
  }));
