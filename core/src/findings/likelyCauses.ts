import type { FindingKind } from '../vocabulary';

/** What each kind of finding usually comes from, and what to look at before curing it. */
export const likelyCauses: Record<FindingKind, string> = {
  'body-bent':
    'A fall or a weight on the tube. It gives on the drilled side, where holes face each other, and on a saxophone toward the bell. Posts, rims and key fit move with it.',
  'bell-turned':
    'A knock on the bell. Witness marks at the guard feet and a large undamaged bell key show by how much.',
  'neck-down':
    'Pulled at while it was put on, or a fall on the mouthpiece. It goes oval where it bent, and its octave mechanism no longer meets.',
  'fitting-bent':
    'A knock that the tube under it may have had too: look at dents and posts beneath before it is put back.',
  'dent': 'A blow. Look for rims, posts and holes that moved with the metal beside it.',
  'seam-open': 'Old solder, a knock, or heat from a neighbour. Expect the seams beside it to be no better.',
  'hole-unsoldered': 'Solder let go in part: a bright line in even tarnish. Look again after other heat has been near.',
  'post-loose':
    'Solder or thread let go. Everything fitted between this post and the next is guesswork until it stands.',
  'post-stripped': 'Thread torn out of the wood, often by years of a tight key. Bush it before any key is fitted.',
  'post-leaning': 'A knock, or a body bent under it. If its neighbours lean too, look at the body first.',
  'crack': 'Wood that dried or swelled too fast, or a hole near the end of a joint. Follow it to both ends.',
  'stuck-part': 'Rust, dried oil, or a bent rod. Clean the slot first; oil and time before force.',
  'broken-screw': 'Forced while stuck. Take it out before new work is set near it.',
  'rim-warped': 'A dent in the body, a pad clamped hard for years, or a careless file. Look at the body beneath first.',
  'hole-oval': 'A dent beside the hole, or a body bent through it.',
  'rim-chipped': 'A blow on the wood, or a pad that stuck. Fill, reface, chamfer.',
  'joint-loose': 'Wear, a receiver sprung oval by its clamp screw, or a swollen part shrunk back.',
  'joint-tight': 'Swollen wood, new cork too thick, or a part gone oval.',
  'receiver-oval': 'A clamp screw left tight with the joint out.',
  'tenon-gouged': 'Grit between the parts. A gouge leaks however well it fits.',
  'cork-worn': 'Age, oil, or glue that let go. Old cork and old glue come off entirely.',
  'key-bent': 'Gripped by its lever arm, or caught in the case. A bent key wears its hinge on one side.',
  'rod-bent': 'A knock on the key over it, or a body bent beneath it. Roll it on a flat plate to know.',
  'pivot-worn': 'Run dry, or backed out and left. A cone rises and falls as it turns when it is bent or worn unevenly.',
  'hinge-loose':
    'Run dry with dirt in it; fresh oil over old dirt grinds. If every key of a rod rocks, the rod itself is thin.',
  'end-play': 'Wear at the ends, or a post that moved. Wiggle the posts before the key is stretched.',
  'spring-weak': 'Kinked, rusted, or set by hand too often.',
  'spring-missing': 'Broken off in its hole, or lost. Look for the stub before a new one is driven.',
  'pad-worn': 'Age, water, or a rim with a sharp edge. Skins harden some sets early and some very late.',
  'pad-leaking':
    'Follow the picture: where light shows says whether to look at the cup, the hinge, the rim or the bed.',
  'grommet-cracked': 'Metal grommets crack when pressed on too tight. A cracked one is replaced, not repaired.',
  'resonator-broken':
    'A petal snapped off while the pad was taken out, or was pressed on askew. Another part: what is glued there does not hold.',
  'adjuster-out': 'A linked key lands first, a cork is too thick, or a spring binds. Not a fault of the pad.',
  'lost-motion': 'Cork or felt crushed between touch and what it moves, or an adjuster turned back.',
  'noise': 'A cork missing or loose, end play, or a key that strikes its neighbour.',
  'tarnish': 'Air and hands. Polish as little as possible: metal leaves with every pass.',
  'tuning-low': 'Venting too low, dirt in the hole, a leak above. Check these before cutting anything.',
  'tuning-high': 'Venting too high, a hole enlarged before, a short joint.',
  'dirt': 'Dry rods with dirt and fresh oil grind themselves away: clean before anything is judged.',
};
