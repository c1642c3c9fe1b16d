/** A key, or several, and what they do, in words. */
export interface KeyHelp {
  keys: string;
  does: string;
}
/** The keys of one page, or of one part of a page. */
export interface PageKeys {
  title: string;
  keys: readonly KeyHelp[];
}

/** What holds wherever links are pressed: at a job, and at a practice piece. */
const benchKeys: readonly KeyHelp[] = [
  { keys: 'Enter, ↓ ↑', does: 'next link without an answer; back and forth' },
  { keys: 'Shift + 1 2 3 …', does: 'press the keys named below the picture, several at once; again lets go' },
  { keys: '[ ]', does: 'press more lightly, press harder' },
  { keys: '< >', does: 'try the adjuster at hand a step earlier, a step later' },
];

/** Where they are named they work: the help of a page and the printed card are made from this. */
export const pageKeys = {
  everywhere: {
    title: 'Everywhere',
    keys: [
      { keys: '?', does: 'show these keys' },
      { keys: '`', does: 'switch between Day and Leak light' },
      { keys: '/ or Ctrl K', does: 'find something in any ticket' },
      { keys: 'Tab, Shift Tab', does: 'go to the next or previous control' },
    ],
  },
  job: {
    title: 'On every page of a job',
    keys: [
      {
        keys: 'Alt 1 … 9, 0',
        does: 'job, survey, strip-down, measure, findings, plan, pads, regulation, sound, record',
      },
      { keys: 'Alt M', does: 'open or fold the map of the instrument' },
    ],
  },
  map: {
    title: 'On the map',
    keys: [
      { keys: '← →, Home, End', does: 'along the tube' },
      { keys: 'Enter', does: 'go to this part' },
      { keys: '+ − 0', does: 'closer, farther, the whole' },
      { keys: 'Esc', does: 'fold it' },
    ],
  },
  plan: {
    title: 'The plan',
    keys: [
      { keys: '↑ ↓', does: 'to the step before or after' },
      { keys: 'D', does: 'this step is done, or all that are marked' },
      { keys: 'M', does: 'mark this step, to do several at once' },
      { keys: 'Backspace', does: 'take back what was done last here' },
    ],
  },
  survey: {
    title: 'Survey',
    keys: [
      { keys: 'a letter', does: 'write the fault that carries it, at this place; again makes it worse' },
      { keys: 'Enter, → ←', does: 'next place; back and forth' },
      { keys: '1 2 3, + −', does: 'how bad the last finding is (+ and − at the pads)' },
      { keys: '1 … 8', does: 'at the pads: light in this sector, from the front clockwise; Enter writes it' },
      { keys: '< = >', does: 'at the pads: which lands first, for the link that is marked; ; goes to the next link' },
      { keys: '/', does: 'the last finding is only suspected' },
      { keys: ', .', does: 'note or photo for the last finding' },
      { keys: 'Backspace', does: 'strike the last finding' },
      { keys: 'Page Down', does: 'this station is looked at: next. With Shift: passed over' },
      { keys: 'Page Up', does: 'back to the station before' },
    ],
  },
  stripDown: {
    title: 'Strip-down',
    keys: [
      { keys: '↓ ↑', does: 'next or previous part of the list' },
      { keys: 'Enter', does: 'take it off, to the next place of the board; or put it back on' },
      { keys: 'n', does: 'name what comes off, or say more of a part' },
      { keys: 'Tab, then Space and arrows', does: 'carry a part on the board' },
      { keys: 'Backspace', does: 'strike the last part taken off or put back' },
    ],
  },
  look: {
    title: 'Look over',
    keys: [
      { keys: 'a letter', does: 'write what you see or feel at this part, and go on to the next' },
      { keys: '1 … 8', does: 'toward which side the last look shows, from the front clockwise, where it has one' },
      { keys: 'Enter, ↓ ↑', does: 'next part without an answer; back and forth' },
      { keys: 'Page Down, Page Up', does: 'next or previous group' },
      { keys: '.', does: 'to the next place that waits for another look' },
      { keys: 'Backspace', does: 'strike the last look of this group' },
    ],
  },
  measure: {
    title: 'Measure',
    keys: [
      { keys: 'Enter', does: 'take the reading and go to the next position' },
      { keys: '↓ ↑', does: 'next or previous position; a second figure there is a repeat' },
      { keys: 'Page Down, Page Up', does: 'next or previous part along the tube' },
      { keys: 'Ctrl Z', does: 'strike the last reading of this part' },
    ],
  },
  round: {
    title: 'A round',
    keys: [
      { keys: 'Enter', does: 'take the figure and go to the next open point' },
      { keys: '↑ ↓', does: 'back and forth; a second figure at a point is a repeat' },
      { keys: 'Page Down', does: 'pass this point over' },
      { keys: 'Ctrl Z', does: 'strike the last figure of the round' },
    ],
  },
  beforePulling: {
    title: 'Pads, before they are pulled',
    keys: [
      { keys: 'Enter', does: 'write the line of this pad and go on to the next' },
      { keys: 'Page Down, Page Up', does: 'next or previous pad' },
    ],
  },
  padSet: {
    title: 'A set of pads',
    keys: [
      { keys: 'Tab', does: 'next cup' },
      { keys: '↓ ↑ in a cup', does: 'another pad of the drawers, and what it would do there' },
      { keys: 'Ctrl Enter', does: 'take the whole set as it stands' },
    ],
  },
  corks: {
    title: 'Corks and felts',
    keys: [{ keys: 'Enter', does: 'write the place down; the next one is asked for at once' }],
  },
  springs: {
    title: 'Springs',
    keys: [{ keys: 'Enter in the force', does: 'take the reading and go on to the next key' }],
  },
  regulation: {
    title: 'Regulation',
    keys: [
      { keys: 'a letter', does: 'write what the light or the film shows at this link, and go on to the next' },
      { keys: 'a figure, Enter', does: 'how late the follower is by the feeler; less than 0 where it lands first' },
      ...benchKeys,
    ],
  },
  sound: {
    title: 'Played note by note',
    keys: [
      { keys: '↓ ↑', does: 'next or previous note, from the lowest up' },
      { keys: 'c f l s', does: 'it came out clear, fuzzy, late, or stayed silent; then the next' },
      { keys: 'Backspace', does: 'strike the note written last, and go back to it' },
    ],
  },
  sheet: {
    title: 'Play test',
    keys: [
      { keys: '↓ ↑', does: 'next or previous line' },
      { keys: 'c f l s', does: 'clear, fuzzy, late, does not speak; then the next line' },
      { keys: 'q n', does: 'without air: quiet, or something clicks' },
      { keys: 'm', does: 'listen: a step in a held note is heard and kept with its line' },
      { keys: 'Backspace', does: 'strike the line written last, and go back to it' },
    ],
  },
  pitch: {
    title: 'Pitch',
    keys: [
      { keys: '↓ ↑', does: 'next or previous note, from the lowest up' },
      { keys: 'Enter', does: 'take the figure typed, in cents' },
      { keys: 'm', does: 'listen with the microphone, or stop: each note held for a second is taken' },
      { keys: 'Ctrl Z', does: 'strike the pitch written last' },
    ],
  },
  tuning: {
    title: 'Tuning',
    keys: [
      { keys: 'Tab, Space', does: 'take a hole in, or leave it out, of what may be altered' },
      { keys: 'a hole of the strip', does: 'the same' },
    ],
  },
  piece: {
    title: 'A practice piece',
    keys: [
      { keys: 'l p m', does: 'look at this link by light, pull the film, measure with the feeler' },
      { keys: 'd f', does: 'light round the pad of the driver, of the follower' },
      { keys: 'h j', does: 'wiggle the hinge of the driver, of the follower' },
      ...benchKeys,
    ],
  },
  stock: {
    title: 'The drawers',
    keys: [
      { keys: '↓ ↑', does: 'next or previous drawer' },
      { keys: 'a figure, Enter', does: 'so many are there' },
      { keys: '− or + and a figure, Enter', does: 'so many were taken, or put back' },
    ],
  },
  week: {
    title: 'The week',
    keys: [
      { keys: 'M', does: 'take up the step in focus, move it with the arrows, M again to drop it' },
      { keys: 'Esc', does: 'put it back' },
    ],
  },
} satisfies Record<string, PageKeys>;
