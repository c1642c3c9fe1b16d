import {
  findingStatusWords,
  findingWords,
  lightPicture,
  passWords,
  pictureWords,
  practices,
  station,
  type Entry,
  moneyText,
  type EntryBody,
  type EntryOf,
  type PartWhere,
} from '@holotonos/core';

type Name = (part: string) => string;

const whereWords: Record<PartWhere, string> = {
  board: 'on the board',
  bag: 'in a bag',
  replaced: 'to be replaced',
  lost: 'lost',
  borrowed: 'lent out',
};

/** What is measured at a point, and where on its part. */
export const pointWords = ({ group, measure, clock, at }: EntryBody<'reading'>['point']): string => {
  // A post has one height; everything else of that name goes round the clock.
  const directed =
    group !== 'post' &&
    (at !== undefined || clock !== 0 || measure === 'gap' || measure === 'height' || measure === 'diameter');
  const along = at === undefined ? '' : `${Math.round(at * 10) / 10} mm, `;
  return `${measure.replaceAll('-', ' ')}${directed ? ` at ${along}${clock}°` : ''}`;
};

/** Where a part lies, such as “on the board at B4”. */
export const placeWords = ({ where, cell }: { where: PartWhere; cell?: string | null }): string =>
  cell ? `${whereWords[where]} at ${cell}` : whereWords[where];

/** What was seen of a pad. */
export function observationWords(seen: Omit<EntryBody<'observation'>, 'part'>, name: Name): string {
  const { about, sectors = [], first, other, hold, mark, note } = seen;
  const parts = {
    light: [pictureWords[lightPicture(sectors)].title.toLowerCase()],
    landing: [first && `${name(first)} lands first`, other && `of ${name(other)} with it`],
    fit: [hold && `held by ${hold}`, mark !== undefined && `marked at ${mark}°`],
  }[about];
  return [...parts, note].filter(Boolean).join(', ');
}

/** What was changed on the instrument as it is known. */
function changeWords({ name, put = {}, remove = {}, reason }: EntryBody<'instrument-change'>): string {
  const count = (lists: Record<string, readonly unknown[] | undefined>) =>
    Object.entries(lists)
      .filter(([, rows]) => rows && rows.length > 0)
      .map(([list, rows]) => `${rows?.length} ${rows?.length === 1 ? list.replace(/s$/, '') : list}`)
      .join(', ');
  const says = [
    name && `Instrument named ${name}`,
    count(put) && `Instrument: put in ${count(put)}`,
    count(remove) && `Instrument: took out ${count(remove)}`,
    reason,
  ];
  return says.filter(Boolean).join('. ') || 'Instrument looked over';
}

/** A step by its id: what is done, and where. */
function stepWords(operation: string, name: Name): string {
  const [kind = '', part = ''] = operation.split(':');
  return `${kind.replaceAll('-', ' ')}, ${name(part)}`;
}

function planChangeWords(
  { operation, add, before, minutes, withdrawn, reason }: EntryOf<'plan-change'>['body'],
  name: Name,
): string {
  const step = stepWords(operation, name);
  if (withdrawn) return `Plan as it was before: ${step}, because ${reason}`;
  const says = [
    add && `step added by hand: ${step}`,
    before !== undefined && `${step} put before ${stepWords(before, name)}`,
    minutes && `${step} reckoned with ${minutes.likely} min`,
  ].filter(Boolean);
  return `Plan: ${says.join('; ')}, because ${reason}`;
}

/** What an entry says, in a line. */
export function entryWords(entry: Entry, names: ReadonlyMap<string, string>): string {
  const name = (part: string) => names.get(part) ?? part;
  switch (entry.kind) {
    case 'intake':
      return `Taken in from ${entry.body.owner}`;
    case 'reading': {
      const { point, typed, gauge } = entry.body;
      return `Read ${typed.replace('-', '−')} · ${point.group} of ${name(point.part)}, ${pointWords(point)} · ${gauge.name}`;
    }
    case 'finding':
      return `${findingWords[entry.body.kind].title}, ${name(entry.body.part)}: ${findingStatusWords[entry.body.status]}`;
    case 'operation-started': {
      return `Started: ${stepWords(entry.body.operation, name)}`;
    }
    case 'operation-done':
      return `Done: ${entry.body.title}${entry.body.override ? ` (although it waited: ${entry.body.override})` : ''}`;
    case 'operation-skipped':
      return `Skipped: ${entry.body.title}, because ${entry.body.reason}`;
    case 'note':
      return entry.body.text;
    case 'decision':
      return `${entry.body.question} ${entry.body.choice} Because: ${entry.body.reason}`;
    case 'practice-change':
      return `Practice changed to ${practices[entry.body.practice].title}, because ${entry.body.reason}`;
    case 'plan-change':
      return planChangeWords(entry.body, name);
    case 'timer': {
      const step = stepWords(entry.body.operation, name);
      if (entry.body.act === 'set') return `Clock set to ${entry.body.minutes ?? 0} min: ${step}`;
      return `${entry.body.act === 'pause' ? 'Clock stopped' : 'Clock goes on'}: ${step}`;
    }
    case 'cost':
      return `${entry.body.dropped ? 'Not charged after all' : 'To be charged'}: ${entry.body.what}`;
    case 'estimate': {
      const { title, total, currency } = entry.body;
      return `Estimate given: ${title}, about ${moneyText(total.likely, currency)}`;
    }
    case 'agreement': {
      const { answer, by, note } = entry.body;
      return `Owner’s answer: ${answer}${by ? `, ${by}` : ''}${note ? `. ${note}` : ''}`;
    }
    case 'time':
      return `${entry.body.minutes} min: ${entry.body.what}`;
    case 'tolerances':
      return `Limits set to “${entry.body.profile}”, because ${entry.body.reason}`;
    case 'pass': {
      const { pass, part, amount, note } = entry.body;
      const unit = pass === 'straighten' || pass === 'turn-bell' ? '°' : '';
      const set = amount === undefined ? '' : ` by ${amount}${unit}`;
      return `${passWords[pass]}${set}: ${name(part)}${note ? `. ${note}` : ''}`;
    }
    case 'round':
      return `Round begun: ${entry.body.name}, ${entry.body.points.length} points`;
    case 'round-skip':
      return `Passed over in the round: ${name(entry.body.point.part)}, ${pointWords(entry.body.point)}`;
    case 'round-over':
      return 'Round ended';
    case 'instrument-change':
      return changeWords(entry.body);
    case 'survey': {
      const { title } = station(entry.body.station);
      return entry.body.outcome === 'looked' ? `Survey: ${title} looked at` : `Survey: ${title} passed over`;
    }
    case 'observation':
      return `${name(entry.body.part)}: ${observationWords(entry.body, name)}`;
    case 'board':
      return `Screw board of ${entry.body.rows} rows and ${entry.body.columns} columns`;
    case 'part-off':
      return `Off: ${name(entry.body.part)}, ${placeWords(entry.body)}`;
    case 'part-placed':
      return `${name(entry.body.part)} is now ${placeWords(entry.body)}`;
    case 'part-on':
      return `Back on: ${name(entry.body.part)}`;
    case 'soak':
      return `${name(entry.body.part)} left to soak in ${entry.body.with}`;
    case 'soak-over':
      return entry.body.outcome === 'free' ? 'It came free' : 'Still stuck after soaking';
    case 'photo':
      return `Photo${entry.body.part ? ` of ${name(entry.body.part)}` : ''}${entry.body.caption ? `: ${entry.body.caption}` : ''}`;
    case 'photo-marks':
      return `Marked a photo (${entry.body.marks.length})`;
    case 'sign-off':
      return 'Signed off';
    case 'unreadable':
      return `An entry that cannot be read (${entry.body.kind}): ${entry.body.problem}`;
    case 'strike':
      return `Struck an entry${entry.body.reason ? `: ${entry.body.reason}` : ''}`;
  }
}
