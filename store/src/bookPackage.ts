import type { JobState, MeasureGroup, Problem } from '@holotonos/core';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import {
  groupsWithReadings,
  readingColumns,
  readingsFromCsv,
  readingsToCsv,
  type ReadCsv,
  type RowDefaults,
} from './readingsCsv';

const descriptionFile = 'datapackage.json';
/** What a package may hold when it is unpacked, bytes: a small file can claim to be an enormous one. */
const mostUnpacked = 64 * 1024 * 1024;

interface Resource {
  name: string;
  path: string;
}

/** The files of a package. One that describes none is no package, so a book without readings has a file of a header. */
function filesOf(state: JobState): { name: string; path: string; group?: MeasureGroup }[] {
  const groups = groupsWithReadings(state);
  if (groups.length === 0) return [{ name: 'readings', path: 'readings/readings.csv' }];
  return groups.map((group) => ({ name: group, path: `readings/${group}.csv`, group }));
}

/** The description of a package: which files it has, and what stands in their columns. */
function describe(state: JobState, ticket: string): object {
  return {
    profile: 'tabular-data-package',
    name: `measuring-book-${ticket.toLowerCase()}`,
    title: `Measuring book of ${ticket}`,
    instrument: state.intake?.instrumentType,
    resources: filesOf(state).map(({ name, path }) => ({
      profile: 'tabular-data-resource',
      name,
      path,
      format: 'csv',
      mediatype: 'text/csv',
      encoding: 'utf-8',
      dialect: { delimiter: ',', lineTerminator: '\r\n', header: true },
      schema: {
        fields: readingColumns.map(({ name, type, says }) => ({ name, type, description: says })),
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
  const files = Object.fromEntries(
    filesOf(state).map(({ path, group }) => [path, strToU8(readingsToCsv(state, group))]),
  );
  return zipSync({ [descriptionFile]: strToU8(`${JSON.stringify(describe(state, ticket), null, 2)}\n`), ...files });
}

const refuse = (path: string, message: string): ReadCsv => ({ ok: false, problems: [{ path, message }] });

/** The readings of such a package, in the order they were taken; or what is wrong with it, by file, line and column. */
export function readingsFromPackage(bytes: Uint8Array, defaults: RowDefaults): ReadCsv {
  let files: Record<string, Uint8Array>;
  let size = 0;
  try {
    files = unzipSync(bytes, {
      filter: ({ originalSize }) => {
        size += originalSize;
        return size <= mostUnpacked;
      },
    });
  } catch {
    return refuse('', 'is not a zip file, or only a part of one');
  }
  if (size > mostUnpacked) return refuse('', `holds more than ${mostUnpacked / 1024 / 1024} MB`);
  const description = files[descriptionFile];
  if (!description) return refuse('', `has no ${descriptionFile}`);
  let resources: Resource[];
  try {
    resources = (JSON.parse(strFromU8(description)) as { resources?: Resource[] }).resources ?? [];
    if (!Array.isArray(resources) || resources.some(({ path }) => typeof path !== 'string')) throw new Error();
  } catch {
    return refuse(descriptionFile, 'does not list its files');
  }
  const problems: Problem[] = [];
  const entries: (ReadCsv & { ok: true })['entries'] = [];
  for (const { path } of resources) {
    const file = files[path];
    const read = file ? readingsFromCsv(strFromU8(file), defaults) : refuse('', 'is not in the package');
    if (read.ok) entries.push(...read.entries);
    else
      problems.push(...read.problems.map((each) => ({ ...each, path: [path, each.path].filter(Boolean).join(', ') })));
  }
  if (problems.length > 0) return { ok: false, problems };
  return { ok: true, entries: entries.sort((a, b) => a.benchTime.localeCompare(b.benchTime)) };
}
