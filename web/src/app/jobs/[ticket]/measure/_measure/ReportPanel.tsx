'use client';

import { printQuantity, type LengthUnit, type PartReport } from '@holotonos/core';
import { limitText } from '@/job/recordWords';
import { StateMark } from '@/ui/StateMark';
import { CurveChart } from './CurveChart';
import { FittedBore } from './FittedBore';
import { Words } from '@/figure/Words';

/** What the readings of a part come to: its figures with their limits, what it is, what would cure it. */
export function ReportPanel({ report, unit }: { report: PartReport | null; unit: LengthUnit }) {
  if (!report) return <p className="soft mb-0">Nothing has been read here yet.</p>;
  return (
    <>
      {report.facts.length > 0 && (
        <table className="readings facts mb-2">
          <caption className="visually-hidden">What the readings come to</caption>
          <thead>
            <tr>
              <th scope="col">Figure</th>
              <th scope="col">Is</th>
              <th scope="col">Limit</th>
              <th scope="col">Verdict</th>
            </tr>
          </thead>
          <tbody>
            {report.facts.map((fact) => (
              <tr key={fact.id}>
                <th scope="row">{fact.words}</th>
                <td>{printQuantity(fact, unit)}</td>
                <td>{limitText(fact.limit ?? {}, fact.unit, unit)}</td>
                <td>{fact.verdict && <StateMark state={fact.verdict} />}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {report.says.length > 0 && (
        <p className="mb-2" aria-live="polite">
          <Words of={report.says} />
        </p>
      )}
      {report.missing.length > 0 && (
        <p className="soft mb-2">
          <Words of={report.missing} />
        </p>
      )}
      {report.curve.length > 1 && <CurveChart report={report} unit={unit} />}
      {report.bore && <FittedBore key={report.part} bore={report.bore} limits={report.facts} unit={unit} />}
    </>
  );
}
