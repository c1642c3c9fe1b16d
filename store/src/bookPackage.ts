import type { JobState, MeasureGroup, Problem } from '@holotonos/core';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { Column } from './csvText';
import { groupsWithReadings, readingColumns, readingsToCsv } from './readingsCsv';
import { hasTicks, tickColumns, ticksToCsv } from './ticksCsv';

const descriptionFile = 'datapackage.json';
/** What a package may hold when it is unpacked, bytes: a small file can claim to be an enormous one. */
const mostUnpacked = 64 * 1024 * 1024;
/** Files in a package; a book has one for each group of measures. */
const mostFiles = 50;
const pieceBytes = 64 * 1024;

interface Resource {
  name: string;
  path: string;
}

/** Looks without a figure go out beside the readings; they come in with the job document, which has the whole logbook. */
const ticksFile = 'looks/looks.csv';

interface PackedFile {
  name: string;
  path: string;
  columns: readonly Column[];
  text: () => string;
}

/** The files of a package. One that describes none is no package, so a book without readings has a file of a header. */
function filesOf(state: JobState): PackedFile[] {
  const readings = (name: string, group?: MeasureGroup): PackedFile => ({
    name,
    path: `readings/${name}.csv`,
    columns: readingColumns,
    text: () => readingsToCsv(state, group),
  });
  const groups = groupsWithReadings(state);
  return [
    ...(groups.length === 0 ? [readings('readings')] : groups.map((group) => readings(group, group))),
    ...(hasTicks(state)
      ? [{ name: 'looks', path: ticksFile, columns: tickColumns, text: () => ticksToCsv(state) }]
      : []),
  ];
}

/** The description of a package: which files it has, and what stands in their columns. */
function describe(state: JobState, ticket: string): object {
  return {
    profile: 'tabular-data-package',
    name: `measuring-book-${ticket.toLowerCase()}`,
    title: `Measuring book of ${ticket}`,
    instrument: state.intake?.instrumentType,
    resources: filesOf(state).map(({ name, path, columns }) => ({
      profile: 'tabular-data-resource',
      name,
      path,
      format: 'csv',
      mediatype: 'text/csv',
      encoding: 'utf-8',
      dialect: { delimiter: ',', lineTerminator: '\r\n', header: true },
      schema: {
        fields: columns.map(({ name: title, type, says }) => ({ name: title, type, description: says })),
        primaryKey: 'entry',
      },
    })),
  };
}

/**
 * The whole measuring book of a job as a data package: one CSV file for each group that was measured and a JSON
 * description of their columns, zipped. Struck readings are left out.
 */
export function bookPackage(state: JobState, ticket: string): Uint8Array {
  const files = Object.fromEntries(filesOf(state).map(({ path, text }) => [path, strToU8(text())]));
  return zipSync({ [descriptionFile]: strToU8(`${JSON.stringify(describe(state, ticket), null, 2)}\n`), ...files });
}

type Unpacked = { ok: true; files: { name: string; bytes: AsyncIterable<Uint8Array> }[] } | Refused;
type Refused = { ok: false; problems: Problem[] };
const refuse = (path: string, message: string): Refused => ({ ok: false, problems: [{ path, message }] });

/** The files a package describes, in its order, each once; or what is wrong with it. */
export function filesInPackage(bytes: Uint8Array): Unpacked {
  let files: Record<string, Uint8Array>;
  let size = 0;
  let count = 0;
  try {
    files = unzipSync(bytes, {
      filter: ({ originalSize }) => {
        size += originalSize;
        count += 1;
        return size <= mostUnpacked && count <= mostFiles;
      },
    });
  } catch {
    return refuse('', 'is not a zip file, or only a part of one');
  }
  if (size > mostUnpacked) return refuse('', `holds more than ${mostUnpacked / 1024 / 1024} MB`);
  if (count > mostFiles) return refuse('', `holds more than ${mostFiles} files`);
  const named = new Map(Object.entries(files));
  const description = named.get(descriptionFile);
  if (!description) return refuse('', `has no ${descriptionFile}`);
  let resources: Resource[];
  try {
    resources = (JSON.parse(strFromU8(description)) as { resources?: Resource[] }).resources ?? [];
    if (!Array.isArray(resources) || resources.some(({ path }) => typeof path !== 'string')) throw new Error();
  } catch {
    return refuse(descriptionFile, 'does not list its files');
  }
  const problems: Problem[] = [];
  const listed = new Set<string>();
  for (const { path } of resources.slice(0, mostFiles + 1)) {
    if (listed.has(path)) problems.push({ path: descriptionFile, message: `lists “${path.slice(0, 100)}” twice` });
    else if (!named.has(path)) problems.push({ path: path.slice(0, 100), message: 'is not in the package' });
    listed.add(path);
  }
  if (resources.length > mostFiles)
    problems.push({ path: descriptionFile, message: `lists more than ${mostFiles} files` });
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    files: [...listed]
      .filter((name) => name !== ticksFile)
      .map((name) => ({ name, bytes: inPieces(named.get(name) ?? new Uint8Array()) })),
  };
}

/** Bytes that are all there, a piece at a time: whoever reads them can be stopped in between. */
async function* inPieces(bytes: Uint8Array): AsyncGenerator<Uint8Array> {
  for (let at = 0; at < bytes.length; at += pieceBytes) yield bytes.subarray(at, at + pieceBytes);
}
