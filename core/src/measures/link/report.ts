import { bandOf } from '../../practice';
import { length, phrase } from '../../units';
import { noLimit, oneFigure, severityAgainst } from '../base/figureWords';
import {
  findingsSay,
  judgeFigure,
  plainFigure,
  withFacts,
  type PartReport,
  type ReportFact,
  type ReportFinding,
} from '../base/partReport';
import { ofMeasure, type ReportContext } from '../base/reportContext';

/** What a measure of a link comes to, with the finding of a figure above its band or below it. */
interface LinkMeasure {
  id: 'lateness' | 'lost-motion';
  words: string;
  band: 'followerLateness' | 'lostMotion';
  above: (value: number) => Pick<ReportFinding, 'cause' | 'remedy'>;
  below: (value: number, least: number) => Pick<ReportFinding, 'cause' | 'remedy'>;
}

/** How late a follower is by the feeler: a trace at most, and never before its driver. */
const late: LinkMeasure = {
  id: 'lateness',
  words: 'Lateness of the follower',
  band: 'followerLateness',
  above: (value) => ({
    cause: phrase`The follower lands ${length(value)} late.`,
    remedy: ['Bring it in at the adjuster of the link.'],
  }),
  below: (value) => ({
    cause: phrase`The follower lands first and holds its driver ${length(-value)} off.`,
    remedy: ['Let it land later at the adjuster of the link.'],
  }),
};

/** What is lost between the two keys before the second moves. */
const play: LinkMeasure = {
  id: 'lost-motion',
  words: 'Lost motion',
  band: 'lostMotion',
  above: (value) => ({
    cause: phrase`${length(value)} are lost between the keys.`,
    remedy: ['Take it up at the adjuster of the link.'],
  }),
  below: (value, least) => ({
    cause: phrase`Only ${length(value)} are left between the keys, less than the ${length(least)} wanted: one may hold the other off.`,
    remedy: ['Give it a hair of play at the adjuster of the link.'],
  }),
};

/** A measure of a link taken alone, judged by its band; null where it was not read. */
function judgeLink(
  { id, words, band: name, above, below }: LinkMeasure,
  { limits }: ReportContext,
  report: PartReport,
): { fact: ReportFact; findings: ReportFinding[] } | null {
  const alone = ofMeasure(report, id).find(({ point }) => point.held === undefined);
  if (!alone || alone.mean === null) return null;
  const value = alone.mean;
  const band = bandOf(name, limits);
  if (!band) return { fact: plainFigure(id, words, 'mm', value), findings: [] };
  const [lower, upper] = band;
  const fact = judgeFigure(id, words, 'mm', value, [alone], { lower, upper });
  if (fact.verdict !== 'outside') return { fact, findings: [] };
  const finding: ReportFinding =
    value > upper
      ? { kind: 'lost-motion', severity: severityAgainst(value, upper), ...above(value) }
      : { kind: 'adjuster-out', severity: 2, ...below(value, lower) };
  return { fact, findings: [finding] };
}

/** A link: too late or too much lost and the follower comes late, too little and one key holds the other off. */
export function linkReport(context: ReportContext, report: PartReport): PartReport {
  const lands = judgeLink(late, context, report);
  const lost = judgeLink(play, context, report);
  const facts = [lands?.fact, lost?.fact].filter((fact) => fact !== undefined);
  if (facts.length === 0) return { ...report, missing: oneFigure };
  // Both speak of the same adjuster: what was seen where the pads land goes before what was felt between the keys.
  const findings = lands && lands.fact.verdict !== 'within' ? lands.findings : (lost?.findings ?? []);
  const missing = facts.every(({ verdict }) => verdict === null) ? { missing: noLimit } : {};
  return withFacts(report, facts, { says: findingsSay(findings), findings, ...missing });
}
