import type { Stage } from '../vocabulary';

/** Work of the first stage comes before work of the second, for the reason given. */
export interface StageRule {
  before: Stage;
  after: Stage;
  reason: string;
}

const rule = (before: Stage, after: Stage, reason: string): StageRule => ({ before, after, reason });

/** The order of the stages. A chain of rules counts; a pair that no chain joins may run side by side. */
export const stageRules: readonly StageRule[] = [
  rule('intake', 'survey', 'The owner’s account and the photographs come before anything is touched.'),
  rule('survey', 'strip', 'Faults of a mounted mechanism cannot be seen once it is apart.'),
  rule('intake', 'strip', 'Photographs come before anything is taken apart.'),
  rule('strip', 'free', 'Parts are freed and washed once they are off.'),
  rule('strip', 'body', 'The body cannot be worked with keys on it.'),
  rule('free', 'body', 'What is stuck or dirty comes off before metal or wood is worked.'),
  rule('body', 'seams', 'Seams and posts are set on a true body, or they are set twice.'),
  rule('free', 'seams', 'A seam closes only on clean metal.'),
  rule('strip', 'seams', 'Posts and seams are worked with the keys off.'),
  rule('body', 'holes', 'Moving the body moves every rim on it.'),
  rule('seams', 'holes', 'Heat and force at a seam move the rim beside it.'),
  rule('strip', 'holes', 'A rim is dressed with its key out of the way.'),
  rule('free', 'holes', 'A rim is read clean.'),
  rule('body', 'joints', 'A joint fitted on a bent body is fitted to the bend.'),
  rule('seams', 'joints', 'Heat near a joint can move it.'),
  rule('free', 'joints', 'Both parts of a joint are cleaned before they are measured.'),
  rule('body', 'keys', 'Straightening the body moves the posts the keys are fitted between.'),
  rule('seams', 'keys', 'A key is fitted to its posts where they will stay.'),
  rule('strip', 'keys', 'Keys are fitted one by one, off the instrument.'),
  rule('free', 'keys', 'A key is fitted clean and free.'),
  rule('keys', 'finish', 'Bending and squeezing mark metal; the finish comes after.'),
  rule('body', 'finish', 'Metal work comes before its finish.'),
  rule('seams', 'finish', 'Solder work comes before the finish.'),
  rule('holes', 'finish', 'Dressing dust and marks come before the finish.'),
  rule('joints', 'finish', 'Joint work comes before the finish.'),
  rule('strip', 'finish', 'Polishing is done with the keys off.'),
  rule('keys', 'corks', 'A cork is cut for where its key will stay.'),
  rule('finish', 'corks', 'Compound and heat ruin new cork.'),
  rule('joints', 'corks', 'Wood or metal is fitted first; cork cannot cure a wobble.'),
  rule('strip', 'corks', 'Corks are renewed with the keys off.'),
  rule('free', 'corks', 'Oil spoils cork.'),
  rule('holes', 'pads', 'A pad is only as true as the rim it lands on.'),
  rule('body', 'pads', 'A pad seated on a bent body will not stay seated.'),
  rule('seams', 'pads', 'Heat near a hole spoils the pad above it.'),
  rule('keys', 'pads', 'A pad levelled on a loose key is level once.'),
  rule('finish', 'pads', 'Compound and wash ruin new pads.'),
  rule('corks', 'pads', 'Corks set how far a key opens and where its pad rests.'),
  rule('strip', 'pads', 'Pads are set in keys that are off.'),
  rule('free', 'pads', 'Oil and wash ruin pads.'),
  rule('pads', 'assemble', 'Keys go back with their pads in.'),
  rule('corks', 'assemble', 'Keys go back with their corks on.'),
  rule('finish', 'assemble', 'Everything is clean and finished before it goes back.'),
  rule('keys', 'assemble', 'Keys go back fitted.'),
  rule('body', 'assemble', 'Keys go back when the tube under them is done.'),
  rule('seams', 'assemble', 'Keys go back when what was soldered or glued has set.'),
  rule('holes', 'assemble', 'A key goes back over a rim that is done.'),
  rule('strip', 'assemble', 'What was taken off goes back on.'),
  rule('assemble', 'regulate', 'Links exist only when the keys are on.'),
  rule('pads', 'regulate', 'A leak in one pad is not a regulation fault: every pad seals by itself first.'),
  rule('corks', 'regulate', 'A cork changed later changes every link it stops.'),
  rule('keys', 'regulate', 'A link set on a loose key does not stay.'),
  rule('regulate', 'tune', 'Pitch is read on an instrument that seals and vents as it will be played.'),
  rule('holes', 'tune', 'A rim that is not level leaks, and a leak reads as pitch.'),
  rule('joints', 'tune', 'A leaking joint spoils every note below it.'),
  rule('pads', 'tune', 'A leak reads as pitch.'),
  rule('joints', 'playtest', 'A leaking joint spoils every note below it.'),
  rule('regulate', 'playtest', 'The play test judges the regulation.'),
  rule('tune', 'playtest', 'The play test comes last of all work.'),
  rule('pads', 'playtest', 'The play test judges the pads.'),
  rule('body', 'playtest', 'The play test comes after all work.'),
  rule('seams', 'playtest', 'The play test comes after all work.'),
  rule('holes', 'playtest', 'The play test comes after all work.'),
  rule('keys', 'playtest', 'The play test comes after all work.'),
  rule('corks', 'playtest', 'The play test comes after all work.'),
  rule('finish', 'playtest', 'The play test comes after all work.'),
  rule('free', 'playtest', 'The play test comes after all work.'),
  rule('strip', 'playtest', 'The play test comes after all work.'),
  rule('survey', 'playtest', 'The play test comes after all work.'),
  rule('playtest', 'handover', 'Nothing goes home that has not been played.'),
];

/** One kind of work before another, for a reason of its own. Both stand in this order in the table. */
export interface KindRule {
  before: string;
  after: string;
  reason: string;
}

const kinds = (before: string, after: string, reason: string): KindRule => ({ before, after, reason });
const fitted = 'A joint is tested when it has been fitted.';

/** Where two kinds of work meet: these reasons come before those of their stages. */
export const kindRules: readonly KindRule[] = [
  kinds('photograph', 'test-play', 'It is photographed as it came, before anybody handles it.'),
  kinds('test-play', 'survey', 'Where it fails in play says where to look.'),
  kinds('pad-stand', 'strip', 'Pad stand can only be measured while the pads are where they were.'),
  ...['straighten-body', 'press-body-straight'].map((kind) =>
    kinds(kind, 'turn-bell', 'The bell is turned on a straight body, or it is turned twice.'),
  ),
  kinds('resolder-hole', 'look-again', 'A seam is judged cold, washed and under the glass.'),
  kinds('true-receiver', 'expand-tenon', 'The receiver is made round before a tenon is fitted to it.'),
  kinds('true-receiver', 'creep-tenon', 'The receiver is made round before a tenon is fitted to it.'),
  kinds('true-receiver', 'replace-tenon', 'A new tenon is made for a round receiver.'),
  ...[
    'true-receiver',
    'expand-tenon',
    'creep-tenon',
    'ease-tenon',
    'replace-tenon',
    'sleeve-tenon',
    'sleeve-wooden-tenon',
  ].map((kind) => kinds(kind, 'test-joints', fitted)),
  kinds('sleeve-wooden-tenon', 'recork-tenon', 'Cork cannot cure a wobble: the wood is fitted first.'),
  ...['fill-crack', 'fill-crack-reversibly'].flatMap((kind) => [
    kinds(kind, 'bush-post', 'A crack at a post hole is closed before the bush: the cutter would open it.'),
    kinds(kind, 'bush-hole', 'A crack at a hole is closed before its bush.'),
  ]),
  ...[
    'fill-crack',
    'fill-crack-reversibly',
    'bush-post',
    'bush-hole',
    'secure-post-wood',
    'sleeve-wooden-tenon',
    'renew-corks',
    'renew-cork',
    'recork-tenon',
  ].map((kind) => kinds(kind, 'oil-wood', 'Oil stays away until every glue joint has cured.')),
  ...['resolder-seam', 'resolder-hole', 'secure-post'].map((kind) =>
    kinds(kind, 'blend-dent', 'The fine round comes after the heat.'),
  ),
  ...['braze-crack', 'resolder-seam', 'resolder-hole', 'secure-post'].map((kind) =>
    kinds(kind, 'wash-flux', 'What the heat left is washed off once it is cold.'),
  ),
  kinds('wash-flux', 'look-again', 'A seam is judged cold, washed and under the glass.'),
  kinds('locate-fitting', 'blend-dent', 'Where a guard or a brace stands off says what the fine round is for.'),
  kinds('blend-dent', 'true-post', 'A dent that still moves takes its posts with it.'),
  kinds('hear-pitch', 'uncover-hole', 'Nothing is taken off again before the whole has been heard.'),
  ...['file-hole-up', 'fill-hole-down'].flatMap((kind) => [
    kinds('uncover-hole', kind, 'A hole is cut with nothing over it.'),
    kinds(kind, 'cover-hole', 'Its pad is looked at after the cut, and before it is played.'),
  ]),
  kinds('cover-hole', 'check-pitch', 'A note is read with everything on.'),
  kinds('assemble', 'seat-clamped', 'Pads are clamped and warmed on the keys as they are mounted.'),
  kinds('seat-clamped', 'bring-in-links', 'A pad still finding its seat would move every link set on it.'),
  kinds('bring-in-links', 'balance-springs', 'An adjuster set later would change what each spring has to lift.'),
  ...['set-adjuster', 'take-up-lost-motion'].map((kind) =>
    kinds(kind, 'bring-in-links', 'A fault that is known is put right before all links are judged together.'),
  ),
  ...['set-adjuster', 'take-up-lost-motion', 'bring-in-links'].map((kind) =>
    kinds('set-venting', kind, 'An opening changed later changes every link it stops.'),
  ),
  kinds('assemble-some', 'check-moved', 'What the work moved is judged with the keys on.'),
  ...['file-hole-up', 'fill-hole-down'].flatMap((kind) => [
    kinds('hear-pitch', kind, 'A note is heard before its hole is cut: wrong venting or a leak reads as pitch.'),
    kinds(kind, 'check-pitch', 'What was altered is heard again.'),
  ]),
  kinds('photograph-after', 'hand-over', 'The pictures go into the papers.'),
];

/**
 * Measures that nearly all work disturbs, by the stage whose own business they are. Elsewhere they say nothing about
 * which of two neighbours goes first, nor what a step sets.
 */
export const homeStage: Readonly<Record<string, Stage>> = { pad: 'pads', link: 'regulate', pitch: 'tune' };
