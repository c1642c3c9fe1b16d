import type { InstrumentType } from '../instruments';
import type { EntryBody, JobState } from '../job';
import type { PadPicture } from '../pads';
import type { FindingKind, FindingStatus } from '../vocabulary';
import { findingOfPicture, lightClocks, lightPicture, pictureWords } from '../survey';
import type { FindingState } from './finding.kind';
import { isOpenStatus } from './findingWords';

/** An entry that is still to be written. */
export type Writing =
  | { kind: 'observation'; id: string; body: EntryBody<'observation'> }
  | { kind: 'finding'; id: string; body: EntryBody<'finding'> };

/** The mark of a finding that the leak light alone speaks for: the light can take it back. */
export const lightMark = (part: string): string => `light:${part}`;

/** What a picture amounts to at one pad. */
export interface LightFinding {
  kind: FindingKind;
  status: FindingStatus;
  note: string;
}

/** What the light at a pad amounts to; null where nothing is to be found. */
export function findingOfLight(type: InstrumentType, part: string, picture: PadPicture): LightFinding | null {
  const kind = findingOfPicture[picture];
  if (kind === null) return null;
  const { title } = pictureWords[picture];
  const key = type.pads.find(({ hole }) => hole === part)?.key;
  const linked = type.links.some(({ driver, follower }) => driver === key || follower === key);
  // Even light means that something holds the key up. Where no other key reaches it, it is not a link.
  if (picture === 'held-off' && !linked)
    return {
      kind: 'pad-leaking',
      status: 'suspected',
      note: `${title}, and no other key reaches it: look at its cork, its spring and its hinge before the pad`,
    };
  return { kind, status: 'confirmed', note: title };
}

const severityOf = (open: number): 1 | 2 | 3 => (open >= 6 ? 3 : open >= 3 ? 2 : 1);

/**
 * What is written when somebody has looked at a pad with the light: the picture, the finding it amounts to, and that a
 * finding of an earlier light no longer stands. What rests on more than the light is left alone.
 *
 * @param open clock positions where light shows; what is no position is left out
 * @param mintId ids of the entries and of a new finding
 */
export function seenLight(
  state: JobState,
  type: InstrumentType,
  part: string,
  open: readonly number[],
  mintId: () => string,
): Writing[] {
  const sectors = lightClocks.filter((clock) => open.includes(clock));
  const picture = lightPicture(sectors);
  const found = findingOfLight(type, part, picture);
  const observation = mintId();
  const writings: Writing[] = [
    { kind: 'observation', id: observation, body: { part, about: 'light', sectors: [...sectors] } },
  ];
  const write = (body: Omit<EntryBody<'finding'>, 'part' | 'evidence' | 'suggestion'>) =>
    writings.push({
      kind: 'finding',
      id: mintId(),
      body: { ...body, part, suggestion: lightMark(part), evidence: [observation] },
    });
  const before = [...state.findings.values()].filter(
    (finding) => finding.part === part && finding.suggestion === lightMark(part) && isOpenStatus(finding.status),
  );
  const same = before.find(({ kind }) => kind === found?.kind);
  for (const { finding, kind, severity, note } of before)
    if (finding !== same?.finding)
      write({
        finding,
        kind,
        severity,
        status: 'declined',
        note,
        reason: `Looked at again: ${pictureWords[picture].title.toLowerCase()}.`,
      });
  if (!found) return writings;
  if (same) {
    if (same.note !== found.note)
      write({
        finding: same.finding,
        kind: same.kind,
        severity: severityOf(sectors.length),
        status: same.status,
        note: found.note,
      });
    return writings;
  }
  // A fault of this kind that was found otherwise is not found twice.
  const known = [...state.findings.values()].some(
    (finding) => finding.part === part && finding.kind === found.kind && isOpenStatus(finding.status),
  );
  if (!known) write({ finding: mintId(), severity: severityOf(sectors.length), ...found });
  return writings;
}

/**
 * The entries of the survey's last act, newest first: a finding or what was seen, with all that one press wrote beside
 * it. Empty where nothing is left to be struck.
 */
export function lastAct({ entries, struck, byId }: JobState): string[] {
  const live = (id: string) => byId.has(id) && !struck.has(id);
  const last = entries.findLast(({ id, kind }) => (kind === 'finding' || kind === 'observation') && live(id));
  if (!last) return [];
  const seen =
    last.kind === 'finding'
      ? (last.body.evidence ?? []).find((id) => byId.get(id)?.kind === 'observation' && live(id))
      : undefined;
  if (seen === undefined) return [last.id];
  const beside = entries.filter(
    ({ id, kind, body }) => kind === 'finding' && live(id) && (body as EntryBody<'finding'>).evidence?.includes(seen),
  );
  return [...beside.map(({ id }) => id).reverse(), seen];
}

/** One step worse, where there is worse to be had. */
export const worsened = ({ severity }: Pick<FindingState, 'severity'>): 1 | 2 | 3 =>
  Math.min(3, severity + 1) as 1 | 2 | 3;
