import { bushLines } from '../bushing';
import { dentLines } from '../dents';
import { fittingsOver, overRelations, rodsOf, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { resonatorOf } from '../padSet';
import { assemblyGuide } from '../stripdown';
import { landingWords } from '../survey';
import { printPhrase } from '../units';
import type { PracticeSettings } from '../vocabulary';
import type { OperationKind } from './operations';
import { howLines, wholeInstrument } from './planOverhaul';
import type { PlannedOperation } from './plan.schema';
import { fittingsBeside } from './planInput';

/** Which keys come off, and which guards with them: what lies on top first, and back the other way round. */
function keyLines(
  { keys = [], stage }: PlannedOperation,
  type: InstrumentType,
  names: ReadonlyMap<string, string>,
): string[] {
  if (keys.length === 0 || (stage !== 'strip' && stage !== 'assemble')) return [];
  const back = assemblyGuide([...fittingsOver(type, new Set(keys)), ...keys], overRelations(type)).steps;
  const named = back.map(({ part }) => names.get(part) ?? part);
  return stage === 'strip' ? [`Off, in this order: ${named.reverse().join(', ')}.`] : [`Back on: ${named.join(', ')}.`];
}

/** What is to be minded at a post that carries a rod on either side. */
function postLines({ part }: PlannedOperation, type: InstrumentType, names: ReadonlyMap<string, string>): string[] {
  const post = type.posts.find(({ id }) => id === part);
  const rods = post ? rodsOf(post).map((id) => names.get(id) ?? id) : [];
  return rods.length < 2
    ? []
    : [`It carries ${rods.join(' and ')}: steady it against its neighbour, and work only the side that bears.`];
}

/** What is to be done about the dents a step is for, with the balls there are. */
function dentHow(
  { kind, cures }: PlannedOperation,
  state: JobState,
  type: InstrumentType,
  names: ReadonlyMap<string, string>,
  balls: readonly number[] = [],
): string[] {
  const dents = cures.flatMap((id) => state.findings.get(id) ?? []);
  if (kind === 'locate-fitting') {
    const beside = new Set(dents.flatMap((dent) => fittingsBeside(type, dent)));
    return [`Back on: ${[...beside].map((id) => names.get(id) ?? id).join(', ')}.`];
  }
  if (kind !== 'raise-dent') return [];
  return dentLines(dents, type, balls).map((line) => printPhrase(line, state.unit));
}

/** The sizes of the bush a post is to get, as they were worked out for it. */
function bushHow({ kind, part }: PlannedOperation, { bushes, unit }: JobState): string[] {
  const bush = kind === 'bush-post' ? bushes.get(part) : undefined;
  return bush ? bushLines(bush).map((line) => printPhrase(line, unit)) : [];
}

/** Steps in which a snap-fit resonator goes in or comes out. */
const snapSteps: readonly string[] = ['renew-pads', 'renew-aged-pads', 'keep-pads', 'replace-pad', 'renew-resonator'];

/** How pads with a snap-fit resonator are set, where the step is about any. */
function snapHow(
  { kind, part }: PlannedOperation,
  state: JobState,
  type: InstrumentType,
  names: ReadonlyMap<string, string>,
): string[] {
  if (!snapSteps.includes(kind)) return [];
  const snaps = type.pads.filter(
    ({ hole, ...pad }) =>
      (part === wholeInstrument || part === hole || part === pad.key) &&
      resonatorOf(state, { hole, ...pad }) === 'snap',
  );
  if (snaps.length === 0) return [];
  const which = part === wholeInstrument ? ` (${snaps.map(({ hole }) => names.get(hole) ?? hole).join(', ')})` : '';
  return [
    `Snap-fit${which}: try the fit in the pad first, then close the petals to a firm snap.`,
    'Adhesive as a ring at the edge and none in the middle; no heat at a pearl behind an open cup. A broken petal means another part.',
  ];
}

/** Which keys get a clamp while pads are seated: those that stand open and a finger holds, or all, by the practice. */
function clampHow(
  { kind }: PlannedOperation,
  { clamping }: PracticeSettings,
  type: InstrumentType,
  names: ReadonlyMap<string, string>,
): string[] {
  if (kind !== 'seat-clamped') return [];
  const padded = new Set(type.pads.map(({ key }) => key));
  const clamped = type.keys.filter(
    ({ id, rest, touches = [] }) =>
      padded.has(id) && (clamping === 'every-pad' || (rest === 'open' && touches.length > 0)),
  );
  return clamped.length === 0
    ? []
    : [`Clamps on ${clamped.length} keys: ${clamped.map(({ id }) => names.get(id) ?? id).join(', ')}.`];
}

type Adjuster = InstrumentType['links'][number]['adjuster'];

/** What is done to each kind of adjuster, by whether its follower comes early or late. */
const adjusterActs: Record<Adjuster, Record<'early' | 'late', string>> = {
  screw: { early: 'turn the screw out', late: 'turn the screw in' },
  arm: { early: 'bend the arm away, the cup held', late: 'bend the arm closer, the cup held' },
  cork: { early: 'shave the cork', late: 'add paper or a thicker cork' },
  felt: { early: 'shave the felt', late: 'add paper or a thicker felt' },
  paper: { early: 'take paper away', late: 'add paper' },
  fixed: {
    early: 'nothing turns here, so level the cups first, then ease the tail',
    late: 'nothing turns here, so level the cups first, then ease the tail',
  },
};

/** What is to be done at the adjuster of a link, as it was last seen to land; both ways where nobody has said. */
function linkLines({ kind, part }: PlannedOperation, state: JobState, type: InstrumentType): string[] {
  const link = type.links.find(({ id }) => id === part);
  if (kind !== 'set-adjuster' || !link) return [];
  const acts = adjusterActs[link.adjuster];
  const lands = state.observations.get(`landing:${part}`)?.lands;
  if (lands !== 'follower' && lands !== 'driver') return [`Here: early, ${acts.early}; late, ${acts.late}.`];
  return [`Seen here: ${landingWords(type, link)[lands]}. So: ${acts[lands === 'follower' ? 'early' : 'late']}.`];
}

/**
 * What the card of a step says about doing it: the lines of its kind on the sides the job takes, then what this very
 * instrument adds to them.
 *
 * @param balls dent balls in the shop, mm
 */
export function stepLines(
  operation: PlannedOperation,
  kind: OperationKind,
  {
    state,
    type,
    names,
    settings,
    balls,
  }: {
    state: JobState;
    type: InstrumentType;
    names: ReadonlyMap<string, string>;
    settings: PracticeSettings;
    balls: readonly number[] | undefined;
  },
): string[] {
  return [
    ...howLines(kind, settings),
    ...keyLines(operation, type, names),
    ...postLines(operation, type, names),
    ...linkLines(operation, state, type),
    ...dentHow(operation, state, type, names, balls),
    ...bushHow(operation, state),
    ...snapHow(operation, state, type, names),
    ...clampHow(operation, settings, type, names),
  ];
}
