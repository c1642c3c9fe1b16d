import { rodsOf } from '../../instruments';
import type { MeasuredJob } from '../base/measuredJob';
import { meanOf } from '../../metrology';
import { upperLimit } from '../../practice';
import { degrees, length, phrase } from '../../units';
import { severityAgainst } from '../base/figureWords';
import {
  findingsSay,
  judgeFigure,
  plainFigure,
  withFacts,
  type PartReport,
  type ReportFact,
  type ReportFinding,
} from '../base/partReport';
import { readPoint, type PointReading } from '../base/pointReading';
import { ofMeasure, type ReportContext } from '../base/reportContext';

/** The fresh height of a post, where it was read. */
const heightOf = (state: MeasuredJob, part: string): PointReading =>
  readPoint(state, { group: 'post', part, measure: 'height', clock: 0 });

/** A post: does it stand upright, and as high as the others of its rod? */
export function postReport({ state, type, limits }: ReportContext, report: PartReport): PartReport {
  const facts: ReportFact[] = [];
  const findings: ReportFinding[] = [];
  const post = type.posts.find(({ id }) => id === report.part);
  const [lean] = ofMeasure(report, 'lean');
  const [height] = ofMeasure(report, 'height');
  const [gap] = ofMeasure(report, 'post-gap');
  const [mostLean, mostStep] = [upperLimit('postLean', limits), upperLimit('postHeight', limits)];
  if (lean && lean.mean !== null && mostLean !== null) {
    const fact = judgeFigure('lean', 'Lean', '°', Math.abs(lean.mean), [lean], { upper: mostLean });
    facts.push(fact);
    if (fact.verdict === 'outside')
      findings.push({
        kind: 'post-leaning',
        severity: severityAgainst(Math.abs(lean.mean), mostLean),
        cause: phrase`The post leans by ${degrees(Math.abs(lean.mean))}.`,
        remedy: [
          'Set it upright with the rod or a spacer in place; steady a threaded post against its neighbour first.',
        ],
      });
  }
  const own = post ? rodsOf(post) : [];
  const mates = type.posts
    .filter((other) => other.id !== report.part && rodsOf(other).some((rod) => own.includes(rod)))
    .map(({ id }) => heightOf(state, id))
    .filter(({ mean }) => mean !== null);
  if (height && height.mean !== null && mates.length > 0 && mostStep !== null) {
    const step = height.mean - meanOf(mates.map(({ mean }) => mean ?? 0));
    const fact = judgeFigure(
      'height-step',
      'Height against the other posts of its rod',
      'mm',
      step,
      [height, ...mates],
      {
        lower: -mostStep,
        upper: mostStep,
      },
    );
    facts.push(fact);
    if (fact.verdict === 'outside')
      findings.push({
        kind: 'post-leaning',
        severity: severityAgainst(Math.abs(step), mostStep),
        cause: phrase`The post stands ${length(Math.abs(step))} ${step > 0 ? 'higher' : 'lower'} than the others of its rod.`,
        remedy: [
          'Look at its foot: a post that has lifted is seated again, one on a bent body waits until the body is straight.',
        ],
      });
  }
  if (gap && gap.mean !== null) facts.push(plainFigure('post-gap', 'Gap to the post above', 'mm', gap.mean));
  if (facts.length === 0)
    return { ...report, missing: ['Read its lean and its height; the gap is judged with the keys of its rod.'] };
  return withFacts(report, facts, {
    says: findingsSay(findings),
    sound: ['It stands as it should.'],
    findings: findings.slice(0, 1),
  });
}
