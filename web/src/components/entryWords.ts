import { findingStatusWords, findingWords, practices, type Entry } from '@holotonos/core';

/** What an entry says, in a line. */
export function entryWords(entry: Entry, names: ReadonlyMap<string, string>): string {
  const name = (part: string) => names.get(part) ?? part;
  switch (entry.kind) {
    case 'intake':
      return `Taken in from ${entry.body.owner}`;
    case 'reading': {
      const { point, typed, gauge } = entry.body;
      return `Read ${typed.replace('-', '−')} · ${point.group} of ${name(point.part)}, ${point.measure} at ${point.clock}° · ${gauge.name}`;
    }
    case 'finding':
      return `${findingWords[entry.body.kind].title}, ${name(entry.body.part)}: ${findingStatusWords[entry.body.status]}`;
    case 'operation-started': {
      const [kind = '', part = ''] = entry.body.operation.split(':');
      return `Started: ${kind.replaceAll('-', ' ')}, ${name(part)}`;
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
    case 'time':
      return `${entry.body.minutes} min: ${entry.body.what}`;
    case 'sign-off':
      return 'Signed off';
    case 'strike':
      return `Struck an entry${entry.body.reason ? `: ${entry.body.reason}` : ''}`;
  }
}
