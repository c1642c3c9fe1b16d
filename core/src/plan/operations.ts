import type {
  BenchResource,
  MaterialUse,
  PassKind,
  PracticeQuestion,
  Reach,
  Stage,
  ToleranceName,
} from '../vocabulary';

/** One kind of work. `{part}` in a title or a measure stands for the part it is done on. */
export interface OperationKind {
  stage: Stage;
  title: string;
  /** attended minutes at severity 2 on a saxophone: low, likely, high */
  minutes: readonly [number, number, number];
  /** minutes of curing, soaking or cooling that follow and need no hands */
  unattended?: number;
  /** measures whose earlier readings it makes worthless */
  disturbs: readonly string[];
  /** measures that must be fresh before it */
  needs: readonly string[];
  /** ids of the cautions that travel with it */
  cautions: readonly string[];
  tools: readonly string[];
  how: readonly string[];
  /** can be undone without loss */
  reversible: boolean;
  /** its time grows with how many of these the instrument has */
  scalesWith?: 'pads' | 'keys' | 'holes';
  /** what it holds while it is worked and while it cures */
  resource?: BenchResource;
  /** corrections it goes in: act a little, measure, act again */
  loop?: readonly PassKind[];
  /** limits that say when it is good */
  reach?: readonly ToleranceName[];
  /** what it puts in of what was chosen for its part, or for every part */
  puts?: readonly MaterialUse[];
  /** cannot be done with the keys on the instrument */
  keysOff?: boolean;
  /** which keys have to come off for it, where not all of them do */
  clears?: Reach;
  /** how far it reaches on an instrument that is known: what lies within is disturbed, and no more */
  spreads?: Reach;
  /** what it upsets and puts right before it ends: readings go stale by it, but the order does not turn on it */
  also?: readonly string[];
  /** measures its gate asks for although later work of the same plan may disturb them again */
  asks?: readonly string[];
  /** how it is done where pads lie dry in their cups, by screw and washer or grommet */
  dry?: Partial<Pick<OperationKind, 'how' | 'tools' | 'cautions' | 'unattended' | 'by'>>;
  /** what a side of the practice changes about it, by `question:side` */
  by?: Readonly<Partial<Record<`${PracticeQuestion}:${string}`, OperationTurn>>>;
}

/** How a side of the practice turns an operation: more to say, another wait, more or less time. */
export interface OperationTurn {
  how?: readonly string[];
  unattended?: number;
  /** factor on the attended time */
  pace?: number;
}

const work = (
  stage: Stage,
  title: string,
  minutes: readonly [number, number, number],
  rest: Partial<Omit<OperationKind, 'stage' | 'title' | 'minutes'>> & Pick<OperationKind, 'how'>,
): OperationKind => ({
  stage,
  title,
  minutes,
  disturbs: [],
  needs: [],
  cautions: [],
  tools: [],
  reversible: true,
  ...rest,
});

/**
 * Pads held by screw and washer or by a grommet lie dry in their cups: levelled by the cup and by shims, never by heat and
 * never by adhesive.
 *
 * @param by what sides of the practice add to it
 */
const dryPads = (by: OperationKind['by'] = {}): OperationKind['dry'] => ({
  unattended: 0,
  cautions: ['hygiene', 'leakLight'],
  tools: ['pads by size', 'sector shims of known thickness', 'card', 'depth gauge', 'leak light', 'feeler film'],
  how: [
    'Before it is drawn: its stand above the cup edge, the height of its washer or grommet, a scratch at the arm for both.',
    'It lies dry: shims cut to sectors, paper or film of known thickness, held by a trace of water-soluble glue. No heat, no other adhesive.',
    'Screw or grommet just rests on it: what dents the skin leaks.',
  ],
  by: {
    'levelling:bend-cup': {
      how: ['The cup first: card at the side that touches, press the side that does not; shims for the rest.'],
    },
    'levelling:shim-or-float': { how: ['The cup is not bent: all of it by shims.'] },
    ...by,
  },
});

/** What sides of the practice say about a pad that lies in a bed of adhesive. */
const gluedPads: NonNullable<OperationKind['by']> = {
  'levelling:bend-cup': { how: ['Level by the cup: card at the side that touches, press the side that does not.'] },
  'levelling:shim-or-float': { how: ['The cup is not bent: the pad is floated in its bed, or shimmed by sector.'] },
  'seating:no-clamp': { how: ['Level enough to need no clamp: it finds its seat in play.'] },
  'seating:clamp-and-warm': {
    how: ['Its seat comes under the clamp when the keys are on: press none into it now.'],
  },
};

/** What follows the body when metal is moved: everything that stands on it. */
const standsOnBody = ['post:*', 'rim:*', 'hinge:*', 'pad:*', 'link:*', 'pitch:*'] as const;
const standsOnRim = ['pad:{part}', 'link:*', 'pitch:*'] as const;

/**
 * Every operation of an overhaul, by kind. Order is not written here: it follows from the stages, from `needs` and
 * `disturbs`, and from the rules in `orderRules.ts`.
 *
 * A measure may be needed only in stages after the last one that disturbs it: body-line after body, post after seams,
 * rim and hole after holes, hinge after keys, joint after joints, pad after pads, link after regulate.
 */
export const operationKinds = {
  'photograph': work('intake', 'Photograph all sides', [5, 8, 15], {
    tools: ['camera', 'plain ground', 'scale'],
    how: ['All sides before anything is touched.', 'Close-ups of every fault the owner named.'],
  }),
  'test-play': work('intake', 'Play it where it still plays', [3, 5, 10], {
    cautions: ['hygiene', 'leakLight', 'residue'],
    tools: ['clean mouthpiece', 'protocol card'],
    how: [
      'Where it still plays, from the top down; write down the note where it fails.',
      'Not before it has been wiped out. Never with an open crack or wet wood: leave it, and write that down.',
    ],
  }),
  'survey': work('survey', 'Survey in one pass', [15, 30, 60], {
    cautions: ['hygiene', 'leakLight'],
    tools: ['leak light', 'light edge', 'feeler film'],
    how: [
      'Joints, body, holes, mechanism mounted, springs, pads under the leak light, corks and noise.',
      'One finding for each fault: where, how bad.',
    ],
    by: {
      'rims:dress-every': { how: ['Every rim is gone over later: write down only what a light pass will not cure.'] },
      'rims:only-faulty': {
        how: ['A rim is worked only where it is found at fault: look at each under the light edge.'],
      },
    },
  }),
  'pad-stand': work('strip', 'Measure pad stand before a pad comes out', [5, 15, 30], {
    tools: ['depth gauge', 'scriber'],
    how: [
      'Height above the cup edge, pad by pad: the new pad should stand the same.',
      'Mark what will be used again by a scratch, not by a pen that rubs off.',
    ],
    scalesWith: 'pads',
    by: {
      'pads:renew-all': { how: ['The figures are for the new set: the spread within a stack says what was wrong.'] },
      'pads:keep-sound': { how: ['Every pad may stay: note how each lies in its cup before it is turned.'] },
    },
  }),
  'strip': work('strip', 'Take the keys off and board every screw', [20, 35, 60], {
    disturbs: ['pad:*', 'link:*'],
    cautions: ['spring'],
    tools: ['screwdrivers', 'screw board', 'spring hook'],
    how: [
      'Clean every slot before a driver goes in.',
      'Each screw to its own place; cylinder pivots are not interchangeable.',
      'Measure pad height above the cup before a pad is pulled.',
    ],
    scalesWith: 'keys',
    by: {
      'originality:reversible': {
        how: ['Whatever will be replaced is kept, labelled, and goes home with the instrument.'],
      },
      'originality:playability': {
        how: ['A worn part may make way for one that serves the player better; say which in the record.'],
      },
    },
  }),
  'strip-some': work('strip', 'Take off the keys in the way', [10, 18, 30], {
    disturbs: ['pad:*', 'link:*'],
    cautions: ['spring'],
    tools: ['screwdrivers', 'screw board', 'spring hook'],
    how: [
      'Clean every slot before a driver goes in. Each screw to its own place; what lies on top comes off first.',
      'Mark how pads and grommets lie before a key is drawn.',
    ],
  }),
  'soak-stuck': work('free', 'Free the stuck part: {part}', [10, 20, 60], {
    unattended: 720,
    disturbs: ['pad:{part}'],
    cautions: ['solvent'],
    tools: ['penetrating oil', 'fitted driver', 'soft jaws'],
    how: [
      'Oil, and time. Oil spoils cork and pads near it: count them as to be renewed.',
      'A driver that fits, no force that slips.',
    ],
  }),
  'warm-stuck': work('free', 'Free the stuck part gently: {part}', [15, 30, 80], {
    unattended: 1440,
    disturbs: ['pad:{part}'],
    cautions: ['solvent', 'residue'],
    tools: ['penetrating oil', 'warm iron', 'fitted driver'],
    how: ['The mildest first: oil and a full day, then gentle warmth.', 'Stop before the slot gives.'],
  }),
  'extract-screw': work('free', 'Extract the broken screw: {part}', [20, 40, 120], {
    cautions: ['cutter', 'solvent'],
    tools: ['centre punch', 'small drills', 'extractor'],
    how: ['Centre exactly, drill small, turn out.', 'Out before new work is set near it.'],
    reversible: false,
  }),
  'clean': work('free', 'Wash and dry all parts', [20, 35, 60], {
    unattended: 60,
    cautions: ['hygiene', 'solvent', 'residue'],
    tools: ['wash', 'brushes', 'swabs', 'air'],
    how: ['Wash, rinse, dry at once.', 'Look again: a doubtful seam shows best when clean.'],
    keysOff: true,
  }),
  'clean-wood': work('free', 'Clean the body dry', [20, 35, 60], {
    cautions: ['hygiene', 'dust', 'residue'],
    tools: ['brushes', 'swabs'],
    how: ['No water in the wood. Brush and swab.', 'No oil yet: nothing is glued on oiled wood.'],
    keysOff: true,
  }),
  'straighten-body': work('body', 'Straighten the tube: {part}', [25, 50, 120], {
    disturbs: ['body-line:{part}', 'bore:{part}', 'joint:{part}', ...standsOnBody],
    tools: ['padded supports', 'mallet', 'straight edge'],
    how: ['Support either side of the bend; act opposite to it.', 'Check after every few taps: push, look, push less.'],
    reversible: false,
    resource: 'vice',
    loop: ['straighten'],
    reach: ['bodyStraightness'],
    keysOff: true,
    clears: 'tube',
    spreads: 'tube',
    by: { 'straightening:taps': { how: ['Small taps: vibration does more than force.'] } },
  }),
  'draw-up-neck': work('body', 'Draw the neck up: {part}', [15, 30, 60], {
    disturbs: ['body-line:{part}', 'bore:{part}', 'joint:*', 'pad:*', 'link:*'],
    tools: ['collet for the tenon', 'mandrel', 'straight edge', 'dent balls'],
    how: [
      'Held in its collet, the tenon guarded: nothing is pulled that is not held.',
      'A little at a time; look along its side against a drawing or its twin, and see that the octave mechanism meets again.',
      'Where it bent it has gone oval: round it over a ball before it is called straight.',
    ],
    reversible: false,
    resource: 'vice',
    keysOff: true,
    clears: 'tube',
  }),
  'straighten-fitting': work('body', 'Straighten it on its own marks: {part}', [8, 15, 30], {
    tools: ['flat plate', 'mallet', 'padded pliers'],
    how: [
      'Off the tube. Bent back over wood until its feet lie on their old marks without strain.',
      'A fitting that is screwed on under strain pulls the tube: it must lie before it is fastened.',
    ],
    keysOff: true,
    clears: 'key',
  }),
  'press-body-straight': work('body', 'Ease the tube straight with slow pressure: {part}', [40, 75, 160], {
    disturbs: ['body-line:{part}', 'bore:{part}', 'joint:{part}', ...standsOnBody],
    tools: ['padded supports', 'press bar', 'straight edge'],
    how: ['Support either side of the bend; leave a trace rather than work the metal twice.'],
    by: {
      'straightening:slow-pressure': { how: ['Slow steady pressure, released and measured each time; no blows.'] },
    },
    reversible: false,
    resource: 'vice',
    loop: ['straighten'],
    reach: ['bodyStraightness'],
    keysOff: true,
    clears: 'tube',
    spreads: 'tube',
  }),
  'ease-warped-wood': work('body', 'Ease the warped wood straight: {part}', [30, 60, 150], {
    unattended: 2880,
    disturbs: ['body-line:{part}', 'bore:{part}', 'joint:{part}', ...standsOnBody],
    cautions: ['dust', 'residue'],
    tools: ['padded clamps', 'hygrometer', 'straight edge'],
    how: [
      'Settle the wood at an even humidity first; clamp lightly against the bend and leave it for days.',
      'Measure, never force: a joint that will not come back is left, or goes to a maker.',
    ],
    resource: 'vice',
    loop: ['straighten'],
    reach: ['bodyStraightness'],
    keysOff: true,
    clears: 'tube',
    spreads: 'tube',
  }),
  'turn-bell': work('body', 'Turn the bell back true', [30, 60, 120], {
    unattended: 20,
    disturbs: ['body-line:bell', 'rim:*', 'post:*', 'pad:*', 'link:*', 'pitch:*'],
    cautions: ['flame', 'solder', 'finish'],
    tools: ['brace clamp', 'heat', 'reference key'],
    how: [
      'Turn until an undamaged large bell key lands true on its hole: the key is the gauge.',
      'Front against back at that key is the bell; left against right is the key or its post.',
      'Push past, let it return, go back less; log each push with what it left. Guard-foot holes meet their old marks.',
      'Refit guard and brace without strain: they are parts that bend, with faults of their own.',
    ],
    reversible: false,
    loop: ['turn-bell'],
    reach: ['witnessGap'],
    keysOff: true,
    clears: 'bell',
    spreads: 'bell',
  }),
  'raise-dent': work('body', 'Raise the dent: {part}', [15, 30, 90], {
    disturbs: ['bore:{part}', 'rim:{part}', 'hole:{part}', 'pad:{part}', 'body-line:{part}'],
    tools: ['dent balls', 'mandrel', 'dent hammer'],
    how: [
      'A larger ball spreads the work. Chase high ridges down from outside, blend.',
      'Reflected lines must run smooth: light along and across is the test, no figure.',
    ],
    reversible: false,
    keysOff: true,
    clears: 'near',
    spreads: 'near',
    by: {
      'smallDents:remove': { how: ['Go on until reflections run smooth; stop short of the plane beside a rim.'] },
      'smallDents:leave': {
        how: ['Only as far as the seal beside it needs, or the bore: what is left is a mark, not a fault.'],
      },
    },
  }),
  'fill-crack': work('body', 'Close the crack: {part}', [40, 75, 180], {
    unattended: 1440,
    disturbs: ['bore:{part}', 'rim:{part}', 'hole:{part}', 'pad:{part}', 'joint:{part}'],
    cautions: ['adhesive', 'dust', 'cutter'],
    tools: ['thin adhesive', 'wood dust', 'pins or bands'],
    how: [
      'Dry and free of oil first: glue holds in nothing else. Follow it to both ends, and stop the ends.',
      'Clean the crack, fill, pin or band where it would open again. One that runs through a post hole is closed before the post is bushed.',
      'A full day before the wood is worked or measured.',
    ],
    reversible: false,
    keysOff: true,
    clears: 'near',
    spreads: 'near',
  }),
  'fill-crack-reversibly': work('body', 'Close the crack with reversible glue: {part}', [45, 90, 200], {
    unattended: 1440,
    disturbs: ['bore:{part}', 'rim:{part}', 'hole:{part}', 'pad:{part}', 'joint:{part}'],
    cautions: ['dust', 'residue'],
    tools: ['hide glue', 'bindings'],
    how: [
      'Glue that a later hand can open; a binding outside rather than a pin inside.',
      'Photograph before and after.',
    ],
    keysOff: true,
    clears: 'near',
    spreads: 'near',
  }),
  'braze-crack': work('body', 'Close the cracked metal: {part}', [30, 60, 120], {
    unattended: 30,
    disturbs: ['bore:{part}', 'rim:{part}', 'pad:{part}', 'joint:{part}'],
    cautions: ['flame', 'solder', 'finish'],
    tools: ['heat', 'solder', 'wire'],
    how: ['Stop the end of the crack, clean to bright metal, patch or solder.'],
    reversible: false,
    keysOff: true,
    clears: 'heat',
    spreads: 'heat',
  }),
  'resolder-seam': work('seams', 'Close the seam: {part}', [20, 40, 80], {
    unattended: 20,
    disturbs: ['rim:{part}', 'hole:{part}', 'post:{part}', 'pad:{part}'],
    needs: ['body-line:*'],
    cautions: ['flame', 'solder', 'finish'],
    tools: ['heat', 'solder', 'binding wire', 'heat shield'],
    how: [
      'Both faces to bright metal, hold with wire, shield the finish, no more heat than needed.',
      'Then look at the neighbours: one seam can loosen the next.',
    ],
    reversible: false,
    keysOff: true,
    clears: 'heat',
    spreads: 'heat',
  }),
  'resolder-hole': work('seams', 'Resolder the tone hole: {part}', [25, 45, 90], {
    unattended: 20,
    disturbs: ['rim:{part}', 'hole:{part}', 'pad:{part}'],
    needs: ['body-line:*'],
    cautions: ['flame', 'solder', 'finish'],
    tools: ['heat', 'solder', 'binding wire', 'centring plug'],
    how: [
      'Clean both faces to bright metal, wire it down, shield the finish.',
      'Look at it again later: a hole that let go once is doubtful.',
    ],
    reversible: false,
    reach: ['rimFlatness'],
    clears: 'heat',
    spreads: 'heat',
  }),
  'bush-hole': work('seams', 'Bush the loose tone-hole insert: {part}', [30, 50, 90], {
    unattended: 720,
    disturbs: ['rim:{part}', 'hole:{part}', 'pad:{part}'],
    cautions: ['adhesive', 'cutter', 'dust'],
    tools: ['guided cutter', 'insert', 'adhesive'],
    how: ['Clean bore for the insert, glue, keep out of the main bore.'],
    reversible: false,
    reach: ['rimFlatness'],
    clears: 'key',
  }),
  'secure-post': work('seams', 'Secure the post: {part}', [15, 30, 60], {
    unattended: 20,
    disturbs: ['post:{part}', 'hinge:*', 'pad:{part}'],
    cautions: ['flame', 'solder', 'finish'],
    tools: ['heat', 'solder', 'spacer at hinge length'],
    how: ['Align by the key with its real pad, or by a spacer at hinge length.', 'Steady it against its neighbour.'],
    reversible: false,
    reach: ['postLean', 'postHeight'],
    clears: 'heat',
    spreads: 'heat',
  }),
  'secure-post-wood': work('seams', 'Secure the post in the wood: {part}', [15, 25, 50], {
    unattended: 240,
    disturbs: ['post:{part}', 'hinge:*', 'pad:{part}'],
    cautions: ['adhesive', 'spring'],
    tools: ['shellac', 'post wrench', 'spacer'],
    how: [
      'A riveted spring that is tight is left alone.',
      'Set with shellac, align by the key with its real pad, or by a spacer as long as the hinge.',
      'Wipe what squeezes out; no oil or grease near it until it has set.',
    ],
    reach: ['postLean', 'postHeight'],
    clears: 'key',
  }),
  'bush-post': work('seams', 'Bush the stripped post hole: {part}', [30, 50, 90], {
    puts: ['bush'],
    unattended: 720,
    disturbs: ['post:{part}', 'hinge:*', 'pad:{part}'],
    cautions: ['cutter', 'adhesive', 'dust'],
    tools: ['guided cutter', 'moulded guide block', 'depth stop', 'bush stock', 'adhesive', 'wax', 'spacer'],
    how: [
      'Before the cut: a guide block moulded over the sound posts and holes beside it, two registration points marked, so that it goes back to the same place.',
      'Depth by trial: set the stop on scrap, measure what it cut, then cut. Never into the bore; a crack there is closed first.',
      'Dry fit: the bush sits flush or just below and goes in without force, with room for adhesive and for alignment.',
      'Wax what must come out again; start the thread straight, two turns by hand, before any glue.',
      'Glue, align by the key with its real pad; where a tight riveted spring would push the post, by a spacer as long as the hinge.',
      'Wipe what squeezes out while it is soft; cure undisturbed, and no oil or grease near it until then.',
    ],
    reversible: false,
    reach: ['postLean', 'postHeight'],
    clears: 'key',
  }),
  'wash-flux': work('seams', 'Wash off flux, see to the finish: {part}', [5, 12, 30], {
    unattended: 20,
    cautions: ['solvent', 'finish'],
    tools: ['warm water', 'soft brush', 'cotton', 'wax'],
    how: [
      'Burnt flux and residue off, rinsed until nothing green comes back; dry, also under the seam.',
      'The colour may be brought nearer by gentle warming, where the owner has agreed; no compound on brittle lacquer or thin plate.',
      'Bare metal that is not polished afterwards is sealed with wax. Photograph it as it is now: what stays of the heat is said to the owner.',
    ],
    keysOff: true,
    clears: 'near',
  }),
  'locate-fitting': work('seams', 'Set guard or brace back on to look: {part}', [5, 8, 15], {
    tools: ['leak light', 'feeler film', 'straight edge'],
    how: [
      'After the first round, cold: on its feet, without screws or solder, on its own marks.',
      'A foot that stands off shows where the tube still lies wrong. Write down which, and take it off again for the fine round.',
    ],
    keysOff: true,
    clears: 'near',
  }),
  'blend-dent': work('seams', 'Second round of the dent, fine: {part}', [10, 20, 45], {
    disturbs: ['bore:{part}', 'rim:{part}', 'hole:{part}', 'pad:{part}'],
    tools: ['dent balls', 'mandrel', 'burnisher'],
    how: [
      'After what is soldered has cooled: heat lets go what the first round left under strain.',
      'Light lines along and across, photographed from the same side and distance as before.',
    ],
    reversible: false,
    keysOff: true,
    clears: 'near',
    spreads: 'near',
  }),
  'true-post': work('seams', 'True the leaning post: {part}', [10, 20, 40], {
    disturbs: ['post:{part}', 'hinge:*', 'pad:{part}'],
    tools: ['post bender', 'rod as sight'],
    how: ['Sight along the rod; ease, look, ease less.', 'Steady a threaded post against its neighbour.'],
    reach: ['postLean', 'postHeight'],
    spreads: 'key',
  }),
  'look-again': work('holes', 'Look at the resoldered seam again: {part}', [2, 4, 8], {
    cautions: ['solvent'],
    tools: ['magnifier', 'leak light'],
    how: [
      'Washed, dry and cold, under the glass: no bright line, no light, nothing that moves.',
      'A hole that let go once may do so again; its neighbours felt the heat too.',
    ],
  }),
  'round-hole': work('holes', 'Bring the hole back round: {part}', [15, 30, 60], {
    disturbs: ['hole:{part}', 'rim:{part}', ...standsOnRim],
    needs: ['body-line:*'],
    tools: ['tapered plug', 'small mallet'],
    how: ['Round over a plug, a little at a time; then read the rim, which moved with it.'],
    reach: ['holeOvality', 'rimFlatness'],
    clears: 'key',
  }),
  'ream-hole-round': work('holes', 'Round the wooden hole: {part}', [15, 25, 50], {
    disturbs: ['hole:{part}', 'rim:{part}', ...standsOnRim],
    cautions: ['dust', 'cutter'],
    tools: ['hand reamer', 'plug gauge'],
    how: ['Only to round, never to size; then read the rim.'],
    reversible: false,
    reach: ['holeOvality', 'rimFlatness'],
    clears: 'key',
  }),
  'dress-rim': work('holes', 'Level the rim: {part}', [8, 15, 35], {
    disturbs: ['rim:{part}', ...standsOnRim],
    needs: ['body-line:*'],
    cautions: ['dust'],
    tools: ['flat abrasive face', 'centring plug', 'dial indicator'],
    how: [
      'Colour the rim, dress the high spots with a flat face over a centring plug.',
      'Raise low spots from inside first where too much metal would go.',
      'Read the rim again all round when done.',
    ],
    reversible: false,
    reach: ['rimFlatness', 'rimTilt'],
    clears: 'key',
    by: {
      'rims:dress-every': { how: ['Level it here; the light pass over all of them comes after.'] },
      'rims:only-faulty': { how: ['This rim only: metal that is level stays where it is.'] },
    },
  }),
  'raise-rim': work('holes', 'Raise the low rim, dress as little as possible: {part}', [15, 30, 60], {
    disturbs: ['rim:{part}', ...standsOnRim],
    needs: ['body-line:*'],
    tools: ['rim lever', 'plug', 'dial indicator'],
    how: ['Bring the low side up from inside, slowly, never past its plane.', 'Dress only what is left.'],
    reach: ['rimFlatness', 'rimTilt'],
    clears: 'key',
  }),
  'reface-rim': work('holes', 'Fill and reface the wooden rim: {part}', [20, 35, 60], {
    unattended: 240,
    disturbs: ['rim:{part}', 'hole:{part}', ...standsOnRim],
    needs: [],
    cautions: ['dust', 'cutter', 'adhesive'],
    tools: ['filler', 'rim cutter', 'lamp'],
    how: ['Fill chips, reface, chamfer the inner edge.', 'A clean unbroken reflection is the test.'],
    reversible: false,
    reach: ['rimFlatness', 'rimTilt'],
    clears: 'key',
  }),
  'dress-all-rims': work('holes', 'Dress every rim lightly', [30, 60, 120], {
    disturbs: ['rim:*', 'pad:*', 'link:*', 'pitch:*'],
    needs: ['body-line:*'],
    cautions: ['dust'],
    tools: ['flat abrasive faces', 'centring plugs'],
    how: ['One light pass over each rim; stop when the colour is broken all round.'],
    reversible: false,
    reach: ['rimFlatness', 'rimTilt'],
    scalesWith: 'holes',
    keysOff: true,
  }),
  'true-receiver': work('joints', 'True the receiver: {part}', [15, 25, 45], {
    disturbs: ['joint:{part}', 'pitch:*'],
    tools: ['plug', 'collet'],
    how: ['Over a plug, before the tenon is touched.'],
    reach: ['metalJointClearance'],
  }),
  'expand-tenon': work('joints', 'Expand and shrink the tenon to fit: {part}', [20, 40, 80], {
    disturbs: ['joint:{part}', 'pitch:*'],
    tools: ['expander', 'collet', 'lap', 'leak tester'],
    how: [
      'From the shoulder toward the leading end; measure after each pass.',
      'Airtight with the screw loose: the last quarter turn only stops it turning.',
    ],
    reversible: false,
    loop: ['expand', 'shrink', 'lap'],
    reach: ['metalJointClearance', 'jointLeakMlPerMinute'],
    by: { 'tenon:expand-then-shrink': { how: ['A hair over, then shrink in small equal steps, lap to finish.'] } },
  }),
  'creep-tenon': work('joints', 'Creep the tenon up to fit and lap: {part}', [30, 60, 110], {
    disturbs: ['joint:{part}', 'pitch:*'],
    tools: ['expander', 'lap', 'leak tester'],
    how: ['Measure after each pass. Airtight with the screw loose: the last quarter turn only stops it turning.'],
    by: { 'tenon:creep-and-lap': { how: ['Up to size and no further, then lap: the metal is worked once.'] } },
    loop: ['expand', 'lap'],
    reach: ['metalJointClearance', 'jointLeakMlPerMinute'],
  }),
  'ease-tenon': work('joints', 'Ease the tight tenon: {part}', [10, 20, 45], {
    disturbs: ['joint:{part}'],
    cautions: ['dust'],
    tools: ['collet or fine abrasive', 'gauge'],
    how: ['In small steps, turning; try after each. Wood: find where it binds before any is taken.'],
    reversible: false,
    reach: ['metalJointClearance', 'corkedTenonClearance'],
  }),
  'replace-tenon': work('joints', 'Fit a new tenon: {part}', [60, 120, 240], {
    unattended: 60,
    disturbs: ['joint:{part}', 'pitch:*'],
    cautions: ['cutter', 'flame', 'solder'],
    tools: ['lathe', 'stock', 'solder'],
    how: ['A gouged tenon is replaced, not repaired.'],
    reversible: false,
    reach: ['metalJointClearance', 'corkedTenonClearance'],
    resource: 'vice',
  }),
  'sleeve-tenon': work('joints', 'Sleeve the tenon, the original kept inside: {part}', [60, 120, 240], {
    unattended: 720,
    disturbs: ['joint:{part}', 'pitch:*'],
    cautions: ['cutter', 'adhesive'],
    tools: ['lathe', 'thin sleeve', 'reversible glue'],
    how: ['A thin sleeve that a later hand can take off.'],
    reach: ['metalJointClearance', 'corkedTenonClearance'],
    resource: 'vice',
  }),
  'sleeve-wooden-tenon': work('joints', 'Sleeve the wooden tenon, or line its socket: {part}', [45, 90, 180], {
    unattended: 720,
    disturbs: ['joint:{part}', 'bore:*', 'pitch:*'],
    cautions: ['cutter', 'dust', 'adhesive'],
    tools: ['lathe or tenon cutter', 'sleeve', 'bore plug', 'reversible glue'],
    how: [
      'Let the wood come to the air of the room and read again first: a dry tenon swells.',
      'Tenon worn: a thin sleeve over it, the bore held round by a plug. Socket wide or oval: a lining, never cut round.',
      'Dry fit before glue; the shoulder must close. No oil or grease near it until it has cured.',
    ],
    reversible: false,
    reach: ['corkedTenonClearance'],
    resource: 'vice',
  }),
  'test-joints': work('joints', 'Test each joint alone for leaks', [5, 12, 25], {
    cautions: ['hygiene', 'leakLight'],
    tools: ['leak tester', 'plugs'],
    how: [
      'Seal the tube below the joint, zero the tester closed, fit the joint with its screw loose, and read.',
      'Wobble is a sign but no proof: a snug joint can leak.',
    ],
    reach: ['jointLeakMlPerMinute'],
  }),
  'straighten-key': work('keys', 'Straighten the key: {part}', [8, 15, 30], {
    disturbs: ['hinge:{part}', 'pad:{part}', 'link:*'],
    needs: ['post:*'],
    tools: ['smooth jaws', 'flat'],
    how: ['Sight along it and ease; look after every push.'],
    clears: 'key',
    spreads: 'key',
  }),
  'straighten-rod': work('keys', 'Straighten or renew the rod: {part}', [10, 25, 60], {
    disturbs: ['hinge:{part}', 'pad:{part}', 'link:*'],
    needs: ['post:*'],
    tools: ['surface plate', 'rod stock'],
    how: ['Roll it on a flat; ease the bow out, or turn a new rod from stock.'],
    reach: ['rodRunOut'],
    clears: 'key',
    spreads: 'key',
  }),
  'refit-pivot': work('keys', 'Refit the worn pivot: {part}', [10, 20, 45], {
    disturbs: ['hinge:{part}', 'pad:{part}', 'link:*'],
    needs: ['post:*'],
    cautions: ['cutter'],
    tools: ['cone reamer', 'pivot stock'],
    how: ['Cone pivots: seat and cone wear together. Cylinder pivots bend: renew.'],
    reversible: false,
    reach: ['pivotRise', 'pivotWear'],
    clears: 'key',
    spreads: 'key',
  }),
  'swage-key': work('keys', 'Swage and face the hinge: {part}', [10, 20, 40], {
    disturbs: ['hinge:{part}', 'pad:{part}', 'link:*'],
    needs: ['post:*'],
    tools: ['swaging jaws', 'rod', 'facing cutter'],
    how: [
      'Always with the rod inside. Turn and squeeze evenly, square to the tube.',
      'Leave it slightly long, face to fit.',
    ],
    reversible: false,
    loop: ['swage', 'face'],
    reach: ['hingeClearance', 'endPlay'],
    clears: 'key',
    spreads: 'key',
    by: {
      'endPlay:washers': { how: ['Where it will not grow enough, thin washers may make up the rest.'] },
      'endPlay:new-tube': { how: ['Where it will not grow enough, a sleeve or a new tube: no washers here.'] },
    },
  }),
  'washer-key': work('keys', 'Take up end play with washers: {part}', [5, 10, 20], {
    puts: ['washer'],
    disturbs: ['hinge:{part}', 'pad:{part}', 'link:*'],
    needs: ['post:*'],
    tools: ['thin washers'],
    how: ['Slippery stock thicknesses, the fewest that will do.'],
    reach: ['hingeClearance', 'endPlay'],
    clears: 'key',
    spreads: 'key',
  }),
  'sleeve-key': work('keys', 'Fit a sleeve or new hinge tube: {part}', [30, 50, 90], {
    unattended: 15,
    disturbs: ['hinge:{part}', 'pad:{part}', 'link:*'],
    needs: ['post:*'],
    cautions: ['flame', 'solder'],
    tools: ['tube stock', 'solder'],
    how: ['Keep the old tube with the instrument.'],
    reach: ['hingeClearance', 'endPlay'],
    clears: 'key',
    spreads: 'key',
  }),
  'refit-keys': work('keys', 'Refit every key: no rock, no end play, falling freely', [60, 120, 240], {
    disturbs: ['hinge:*', 'pad:*', 'link:*'],
    needs: ['post:*'],
    cautions: ['spring'],
    tools: ['rods', 'swaging jaws', 'facing cutter', 'oil'],
    how: ['Every key refitted before any pad goes in.', 'Spring off: it must fall under its own weight.'],
    reversible: false,
    scalesWith: 'keys',
    reach: ['hingeClearance', 'endPlay'],
    keysOff: true,
  }),
  'renew-spring': work('keys', 'Fit a new spring: {part}', [5, 10, 20], {
    puts: ['spring'],
    disturbs: ['spring:{part}'],
    cautions: ['spring'],
    tools: ['spring wire', 'spring pliers'],
    how: ['Same gauge and length; flatten and drive tight. Balanced later.'],
  }),
  'retension-spring': work('keys', 'Set the spring: {part}', [2, 5, 10], {
    disturbs: ['spring:{part}'],
    cautions: ['spring'],
    tools: ['spring hook'],
    how: ['Over-bend a little and back, no kink.'],
  }),
  'ease-spring': work('keys', 'Ease the spring: {part}', [2, 5, 10], {
    disturbs: ['spring:{part}'],
    cautions: ['spring'],
    tools: ['spring hook'],
    how: [
      'Take tension off a little at a time, no kink; the key must still return by itself, quickly.',
      'Look at its pad as well: a hard pad or a deep seat asks for force too.',
    ],
  }),
  'polish': work('finish', 'Polish as little as possible', [30, 60, 150], {
    cautions: ['buffing', 'dust', 'solvent'],
    tools: ['wheel or cloth', 'compound', 'wash'],
    how: ['Run off springs and edges, never into them. Wash off the compound.', 'Engraving and plating say how far.'],
    reversible: false,
    keysOff: true,
    by: { 'tarnish:polish': { how: ['By hand where the wheel would take an edge; stop when it is clean.'] } },
  }),
  'wash-finish': work('finish', 'Wash the surface, leave the patina', [15, 25, 45], {
    cautions: ['solvent', 'residue'],
    tools: ['mild wash', 'soft cloth'],
    how: ['No abrasive. The surface is part of the record.'],
    keysOff: true,
    by: { 'tarnish:wash-only': { how: ['Tarnish that is fast stays: it protects what is under it.'] } },
  }),
  'renew-corks': work('corks', 'Renew corks and felts', [30, 60, 120], {
    puts: ['cork', 'felt'],
    unattended: 60,
    disturbs: ['link:*'],
    needs: ['hinge:*'],
    cautions: ['adhesive'],
    tools: ['sheet cork', 'felt', 'blades'],
    how: ['Old cork and glue off entirely. Thickness by the gap, a little full, then sliced.'],
    scalesWith: 'keys',
    keysOff: true,
  }),
  'renew-cork': work('corks', 'Renew the cork: {part}', [5, 10, 20], {
    puts: ['cork', 'felt'],
    unattended: 30,
    disturbs: ['link:{part}'],
    needs: ['hinge:{part}'],
    cautions: ['adhesive'],
    tools: ['sheet cork', 'blades'],
    how: ['Choose by the gap it must fill, fit a little full, slice in place.'],
  }),
  'recork-tenon': work('corks', 'Recork the tenon: {part}', [15, 25, 45], {
    puts: ['cork'],
    unattended: 60,
    disturbs: ['joint:{part}'],
    cautions: ['adhesive'],
    tools: ['sheet cork', 'abrasive strip', 'cork grease'],
    how: ['Wood first, then cork: cork cannot cure a wobble.'],
    reach: ['corkedTenonClearance', 'corkSqueeze'],
  }),
  'quiet-noise': work('corks', 'Find and quiet the noise: {part}', [5, 15, 40], {
    puts: ['cork', 'felt'],
    needs: ['hinge:{part}'],
    tools: ['felt', 'thin cork', 'oil'],
    how: ['A missing or loose cork shows up as noise. Listen with no air.'],
  }),
  'oil-wood': work('corks', 'Oil the bore where the wood asks for it', [8, 15, 25], {
    unattended: 720,
    disturbs: ['bore:*'],
    cautions: ['residue'],
    tools: ['bore oil', 'swabs', 'pads of card'],
    how: [
      'Last of all on the wood, when every glue joint has cured, corks included: nothing is glued on oiled wood.',
      'A thin film, wiped off again; none on tenon cork, none in tone holes. A night before the bore is measured.',
    ],
    keysOff: true,
  }),
  'renew-grommet': work('pads', 'Renew the grommet: {part}', [10, 20, 35], {
    puts: ['grommet'],
    unattended: 10,
    disturbs: ['pad:{part}', 'link:*'],
    needs: ['rim:{part}', 'hinge:{part}'],
    tools: ['grommet', 'depth gauge', 'shims'],
    how: ['Set its height from the old one before that is pulled.', 'Cracked metal is replaced, not trusted.'],
    reach: ['padGap'],
    clears: 'key',
  }),
  'renew-resonator': work('pads', 'Another snap-fit resonator: {part}', [8, 15, 30], {
    puts: ['resonator', 'pad'],
    unattended: 30,
    disturbs: ['pad:{part}', 'link:*'],
    cautions: ['hygiene', 'adhesive'],
    tools: ['snap-fit resonator', 'pad', 'adhesive', 'leak light'],
    how: ['What is left of it out with its pad, which has lost its middle and goes too.'],
    reach: ['padGap'],
    clears: 'key',
  }),
  'renew-pads': work('pads', 'Renew every pad', [90, 180, 300], {
    puts: ['pad', 'resonator', 'shim'],
    unattended: 30,
    disturbs: ['pad:*', 'link:*'],
    needs: ['rim:*', 'hinge:*'],
    cautions: ['flame', 'adhesive', 'hygiene'],
    tools: ['pads by size', 'adhesive', 'warm air', 'leak light'],
    how: [
      'Diameter by the cup, thickness so the key lands parallel.',
      'Level each pad by itself, springs off. A bed behind the whole back.',
    ],
    scalesWith: 'pads',
    reach: ['padGap', 'padStandSpread'],
    keysOff: true,
    by: {
      'pads:renew-all': { how: ['New throughout: one age, one stand within a stack.'] },
      ...gluedPads,
      'adhesive:shellac': {
        how: ['Shellac: warm until it flows, float the pad level, let it set hard before it is moved.'],
        unattended: 30,
      },
      'adhesive:hot-glue': {
        how: ['Hot glue: a full bed up to the edge; level while it is soft, it will not run out.'],
        unattended: 15,
      },
    },
    dry: dryPads({
      'originality:reversible': { how: ['Old washers, screws and shims are kept with the instrument.'] },
    }),
  }),
  'renew-aged-pads': work('pads', 'Go through the pads, renew the set if its age says so', [45, 110, 260], {
    puts: ['pad', 'resonator', 'shim'],
    unattended: 20,
    disturbs: ['pad:*', 'link:*'],
    needs: ['rim:*', 'hinge:*'],
    cautions: ['flame', 'adhesive', 'hygiene', 'residue'],
    tools: ['pads by size', 'adhesive', 'warm air', 'leak light', 'feeler film'],
    how: [
      'Ask when it was last padded; felt and skin of that age rarely outlast an overhaul.',
      'What is renewed is renewed as a stack, so that stand and feel stay even.',
    ],
    scalesWith: 'pads',
    reach: ['padGap', 'padStandSpread'],
    keysOff: true,
    by: {
      ...gluedPads,
      'padLife:age': { how: ['One age for the set: what seals today but is as old as the rest goes too.'] },
      'adhesive:shellac': { unattended: 30 },
      'adhesive:hot-glue': { unattended: 15 },
    },
    dry: dryPads(),
  }),
  'keep-pads': work('pads', 'Go through the pads and keep what is sound', [30, 60, 120], {
    puts: ['pad', 'resonator', 'shim'],
    unattended: 10,
    disturbs: ['pad:*', 'link:*'],
    needs: ['rim:*', 'hinge:*'],
    cautions: ['flame', 'hygiene', 'residue'],
    tools: ['leak light', 'feeler film', 'warm air'],
    how: [
      'A pad that is sound is saved; replace what is torn, hard, deeply creased or oily.',
      'Level each by itself, springs off.',
    ],
    scalesWith: 'pads',
    reach: ['padGap', 'padStandSpread'],
    keysOff: true,
    by: {
      'pads:keep-sound': { how: ['What stays goes back as it lay: turned, it has lost its seat.'] },
      ...gluedPads,
      'padLife:condition': { how: ['Age alone condemns no pad: light, film and skin do.'] },
    },
    dry: dryPads(),
  }),
  'replace-pad': work('pads', 'Replace the pad: {part}', [8, 15, 25], {
    puts: ['pad', 'resonator', 'shim'],
    unattended: 10,
    disturbs: ['pad:{part}', 'link:*'],
    needs: ['rim:{part}', 'hinge:{part}'],
    cautions: ['flame', 'adhesive'],
    tools: ['pad', 'adhesive', 'warm air', 'leak light'],
    how: [
      'Same stand as its neighbours. Mark the orientation with a scratch.',
      'Float level, let cool, read the gaps again.',
    ],
    reach: ['padGap', 'padStandSpread'],
    by: {
      ...gluedPads,
      'padLife:age': { how: ['Its neighbours are as old: say what they will need, and when.'] },
      'padLife:condition': { how: ['This one only, while its neighbours pass light and film.'] },
      'adhesive:shellac': {
        how: ['Shellac: warm until it flows, float the pad level, let it set hard before it is moved.'],
        unattended: 10,
      },
      'adhesive:hot-glue': {
        how: ['Hot glue: a full bed up to the edge; level while it is soft, it will not run out.'],
        unattended: 5,
      },
    },
    clears: 'key',
    dry: dryPads(),
  }),
  'reseat-pad': work('pads', 'Level and seat the pad: {part}', [5, 12, 25], {
    puts: ['shim'],
    unattended: 10,
    disturbs: ['pad:{part}', 'link:*'],
    needs: ['rim:{part}', 'hinge:{part}'],
    cautions: ['flame'],
    tools: ['warm air', 'card', 'shims', 'leak light', 'feeler film'],
    how: [
      'Ease it in its warm bed: card at the touching side, press the open side.',
      'Shim only what the bed will not give. Let cool, read the gaps again.',
    ],
    reach: ['padGap'],
    by: {
      ...gluedPads,
    },
    dry: dryPads(),
  }),
  'shim-pad': work('pads', 'Level the pad, its cup left as it is: {part}', [8, 15, 30], {
    puts: ['shim'],
    unattended: 10,
    disturbs: ['pad:{part}', 'link:*'],
    needs: ['rim:{part}', 'hinge:{part}'],
    cautions: ['flame'],
    tools: ['warm air', 'shims', 'leak light', 'feeler film'],
    how: ['No bending of cups here: float the pad in its bed or shim by sector.', 'Let cool, read the gaps again.'],
    reach: ['padGap'],
    dry: dryPads(),
  }),
  'assemble': work('assemble', 'Put the keys back in reverse order', [20, 40, 70], {
    disturbs: ['link:*'],
    cautions: ['spring'],
    tools: ['screw board', 'screwdrivers', 'key oil'],
    how: ['The strip-down read backwards. Oil each rod, wipe what is over.'],
    scalesWith: 'keys',
  }),
  'assemble-some': work('assemble', 'Put back what was taken off', [10, 20, 35], {
    disturbs: ['link:*'],
    cautions: ['spring'],
    tools: ['screw board', 'screwdrivers', 'key oil'],
    how: ['The strip-down read backwards. Oil each rod, wipe what is over.'],
  }),
  'check-moved': work('assemble', 'Look again at what the work moved', [3, 8, 20], {
    cautions: ['leakLight'],
    tools: ['leak light', 'feeler film'],
    how: [
      'Every pad that came off or that the work reached, by the light: a tick will do where it seals.',
      'What no longer is as it was is a finding of its own.',
    ],
  }),
  'seat-clamped': work('assemble', 'Seat the pads: clamp lightly, warm, let cool', [10, 15, 30], {
    unattended: 90,
    disturbs: ['pad:*', 'link:*'],
    cautions: ['oven', 'flame'],
    tools: ['soft clamps', 'warming lamp or low oven', 'clock'],
    how: [
      'The softest clamps that close the key; gentle warmth for a set time; let it cool before a clamp comes off.',
      'Over-clamped felt swells back and the seat is lost.',
      'Look at every pad again when all of it is cold, and once more the next day.',
    ],
    resource: 'oven',
    by: {
      'clamping:finger-keys': { how: ['Clamp only the keys that fingers hold; closed keys have their springs.'] },
      'clamping:every-pad': { how: ['Every pad gets its clamp, closed keys too.'], pace: 1.8 },
      'adhesive:shellac': {
        how: ['Warmth no more than the hand bears, 45 °C or so, for an hour and a half: shellac stays hard at it.'],
        unattended: 90,
      },
      'adhesive:hot-glue': {
        how: ['Warmth no more than 40 °C, for an hour: above that hot glue creeps, and the pad moves in its cup.'],
        unattended: 60,
      },
    },
  }),
  'set-venting': work('regulate', 'Set how far each key opens', [10, 20, 40], {
    disturbs: ['link:*'],
    tools: ['opening gauge', 'cork and felt by thickness', 'blades'],
    how: [
      'By bumpers, before links are called done: an opening changed later changes every link it stops.',
      'Too low: dull, flat, slow. Too high: noisy, long. Neighbours of a stack open alike; play and tone have the last word.',
    ],
    scalesWith: 'keys',
  }),
  'set-adjuster': work('regulate', 'Set the adjuster: {part}', [3, 8, 15], {
    disturbs: ['link:{part}'],
    needs: ['pad:{part}'],
    tools: ['leak light', 'feeler film', 'screwdriver', 'thin cork', 'paper'],
    how: [
      'From its driver, the lightest touch. Early, it holds its driver off: screw out, arm away, cork shaved. Late: screw in, arm closer, paper or cork added.',
      'A screw that is backed off and still early asks for cork to be taken away. Bent metal may drift back: look again.',
      'Do not touch the pad.',
    ],
    reach: ['followerLateness'],
    by: {
      'closingOrder:needed-first': { how: ['Here the key the player needs lands first by a hair.'] },
    },
  }),
  'take-up-lost-motion': work('regulate', 'Take up the lost motion: {part}', [3, 8, 15], {
    disturbs: ['link:{part}'],
    needs: ['pad:{part}'],
    tools: ['thin cork', 'paper', 'feeler film'],
    how: ['Fill the slack between touch and what it moves; check that nothing is now held open.'],
    reach: ['lostMotion'],
    by: {
      'lostMotion:hair': { how: ['Leave a hair: this practice keeps one.'] },
    },
  }),
  'bring-in-links': work('regulate', 'Regulate: bring in the links one by one', [30, 60, 120], {
    disturbs: ['link:*'],
    needs: ['pad:*'],
    cautions: ['leakLight'],
    tools: ['leak light', 'feeler film', 'screwdriver'],
    how: [
      'Back every adjuster off until nothing is held open.',
      'Shared followers first, then their drivers; each alone, then together.',
    ],
    reach: ['followerLateness', 'lostMotion'],
    by: {
      'closingOrder:together': { how: ['Both pads of a pair land in the same moment.'] },
      'closingOrder:needed-first': {
        how: ['The key the player needs most lands first by a hair, its helper a trace late.'],
        pace: 1.1,
      },
      'lostMotion:none': { how: ['Take up all lost motion: everything moves as one.'], pace: 1.1 },
      'lostMotion:hair': { how: ['Keep a hair of slack, so that no key holds another open.'] },
    },
  }),
  'balance-springs': work('regulate', 'Balance the springs', [15, 30, 60], {
    disturbs: ['spring:*'],
    cautions: ['spring'],
    tools: ['spring hook', 'force gauge'],
    how: ['Main keys first, then their helpers; no key may be blown or lifted open.'],
    reach: ['leastForceNewtons', 'sealForceNewtons'],
    scalesWith: 'keys',
    by: {
      'springFeel:light': { how: ['As light as stays reliable, the helper lighter than the main.'], pace: 1.2 },
      'springFeel:firm': { how: ['Firm: every key must close surely whoever plays.'] },
    },
  }),
  'hear-pitch': work('tune', 'Hear before cutting: read the notes in question', [10, 20, 30], {
    asks: ['link:*', 'pad:*', 'joint:*'],
    cautions: ['hygiene'],
    tools: ['pitch meter', 'thermometer', 'owner’s mouthpiece or head'],
    how: [
      'On the assembled, leak-free, vented instrument, at a known temperature, with what the owner plays on.',
      'Notes that share a hole move together: read them all, and leave the hole where they disagree.',
    ],
  }),
  'uncover-hole': work('tune', 'Take off what covers {part}, and only that', [2, 5, 12], {
    tools: ['screwdriver', 'spring hook'],
    how: [
      'The key over the hole and what passes over it, after a first play of the whole; everything else stays on.',
      'Pivots and rods back into their own keys at once, or onto the board by name.',
    ],
    cautions: ['spring'],
  }),
  'file-hole-up': work('tune', 'Open the hole upstream to raise its note: {part}', [10, 20, 40], {
    disturbs: ['hole:{part}', 'pitch:*'],
    also: ['rim:{part}', 'pad:{part}'],
    cautions: ['dust'],
    tools: ['fine file', 'pitch meter', 'leak light'],
    how: [
      'Venting first: too low a pad dulls and flattens, and no file cures that.',
      'Small cuts at the upstream edge, never into the bore. After each: refinish rim and inner edge, check the pad, play again.',
    ],
    reversible: false,
  }),
  'fill-hole-down': work('tune', 'Fill the upstream edge to lower the note: {part}', [10, 20, 40], {
    unattended: 30,
    disturbs: ['hole:{part}', 'pitch:*'],
    also: ['pad:{part}'],
    cautions: ['adhesive'],
    tools: ['wax or filler', 'pitch meter'],
    how: ['Fill the upstream edge a little at a time and play again; a filling can come out again.'],
  }),
  'cover-hole': work('tune', 'Put back what covers {part}, and look at its pad', [3, 8, 15], {
    tools: ['screwdriver', 'spring hook', 'leak light', 'feeler film'],
    how: [
      'The last off goes on first. By light or film before anything is played: a pad that leaks now reads as pitch.',
    ],
    cautions: ['spring', 'leakLight'],
  }),
  'check-pitch': work('tune', 'Read the pitch of every note', [15, 25, 45], {
    disturbs: [],
    needs: ['link:*', 'pad:*'],
    cautions: ['hygiene'],
    tools: ['pitch meter', 'thermometer'],
    how: ['Read every note against the chosen pitch, at a known temperature.'],
    by: {
      'tuning:alter-holes': { how: ['What was altered is read with every note that shares its hole.'] },
      'tuning:leave-holes': { how: ['Nothing is cut: what the notes are is written down for the player.'] },
    },
  }),
  'play-test': work('playtest', 'Play test by the protocol', [15, 30, 45], {
    needs: ['pad:*', 'link:*', 'joint:*'],
    cautions: ['hygiene', 'leakLight'],
    tools: ['clean mouthpiece', 'protocol card'],
    how: [
      'Long low notes from the bottom with the lightest fingers.',
      'Every alternative fingering against its main one; chromatic; octaves and twelfths; listen for clicks with no air.',
    ],
    reach: ['padGap', 'lostMotion', 'jointLeakMlPerMinute'],
  }),
  'photograph-after': work('handover', 'Photograph it as it goes home', [5, 8, 15], {
    tools: ['camera', 'plain ground', 'scale'],
    how: ['The same sides and the same close-ups as at intake.'],
  }),
  'hand-over': work('handover', 'Write up and hand over', [10, 20, 30], {
    cautions: ['hygiene'],
    tools: ['record', 'camera'],
    how: [
      'What was found, done and left, and why. Cautions for the owner. The next check-up date.',
      'Photographs after.',
    ],
  }),
} as const satisfies Record<string, OperationKind>;

export type OperationKindName = keyof typeof operationKinds;

/** The table a plan is made from: what ships, and what a shop has added after it. */
export type OperationTable = ReadonlyMap<string, OperationKind>;

/** What ships, as a table. */
export const shippedOperations: OperationTable = new Map<string, OperationKind>(Object.entries(operationKinds));

/**
 * The shipped table with a shop's own operations after it. One of the same name as a shipped one stands in its place.
 */
export function tableWith(own: readonly (OperationKind & { kind: string })[] = []): OperationTable {
  if (own.length === 0) return shippedOperations;
  const table = new Map(shippedOperations);
  const byName = [...own].sort((a, b) => (a.kind < b.kind ? -1 : Number(a.kind > b.kind)));
  for (const { kind, ...operation } of byName) table.set(kind, operation);
  return table;
}
