import { Text, View } from '@react-pdf/renderer';
import {
  printLength,
  printWithUncertainty,
  type ClockWords,
  type JobRecord,
  type LengthUnit,
  type RecordFigure,
} from '@holotonos/core';
import { minutesText } from '@/ui/words';
import { inPrint, Lines, Part, Sheet, styles } from './sheet';

/** The record that goes home with the instrument. */
export function RecordPdf({ record, unit, when }: { record: JobRecord; unit: LengthUnit; when: ClockWords }) {
  const { dayText } = when;
  const { intake, signOff } = record;
  const figure = (value: RecordFigure | null) =>
    value ? printWithUncertainty(value.value, value.uncertainty, unit) : '–';
  const cell = { width: '19%' } as const;
  return (
    <Sheet title="record" ticket={record.ticket}>
      <Text style={styles.title}>{inPrint(record.instrument)}</Text>
      <Text>
        {[
          intake.maker,
          intake.model,
          intake.serial && `no. ${intake.serial}`,
          intake.made,
          intake.material,
          intake.finish,
        ]
          .filter(Boolean)
          .join(', ')}
      </Text>
      <Text style={styles.soft}>
        {intake.owner}. Taken in {dayText(record.openedAt)}. Practice: {record.practice.title}. {record.practice.holds}
      </Text>
      <Part title="Intake">
        <Lines
          lines={
            [
              intake.complaint && `What was wrong: ${intake.complaint}`,
              intake.testPlay && `Test play: ${intake.testPlay}`,
              intake.mayChange && `What may be changed: ${intake.mayChange}`,
            ].filter((line) => typeof line === 'string' && line !== '') as string[]
          }
          empty="No complaint was written down."
        />
      </Part>
      <Part title="Found">
        <Lines
          lines={record.found.map((f) => `${f.title}, ${f.place}: ${f.statusWord}${f.note ? `. ${f.note}` : ''}`)}
          empty="Nothing."
        />
      </Part>
      <Part title="Done">
        <Lines
          lines={record.done.map(
            (d) =>
              `${d.title} (${dayText(d.at)}, ${d.by}, ${minutesText(d.minutes)})${d.note ? `. ${d.note}` : ''}${d.override ? `. Done although it waited: ${d.override}` : ''}`,
          )}
          empty="Nothing."
        />
      </Part>
      <Part title="Figures, before and after">
        {record.figures.length === 0 && <Text>Nothing was measured.</Text>}
        {record.figures.length > 0 && (
          <View style={styles.row} wrap={false}>
            <Text style={{ width: '43%', fontWeight: 700 }}>Measure</Text>
            <Text style={{ ...cell, fontWeight: 700 }}>Before</Text>
            <Text style={{ ...cell, fontWeight: 700 }}>After</Text>
            <Text style={{ ...cell, fontWeight: 700 }}>Limit</Text>
          </View>
        )}
        {record.figures.map((row) => (
          <View key={`${row.group} ${row.part}`} style={styles.row} wrap={false}>
            <Text style={{ width: '43%' }}>{inPrint(`${row.group} of ${row.place}, ${row.what}`)}</Text>
            <Text style={cell}>{figure(row.before)}</Text>
            <Text style={cell}>
              {figure(row.after)}
              {row.stale ? ' (stale)' : ''}
            </Text>
            <Text style={cell}>{printLength(row.limit, unit)}</Text>
          </View>
        ))}
      </Part>
      <Part title="Left, and why">
        <Lines lines={record.left.map(({ what, why }) => `${what}. ${why}`)} empty="Nothing." />
      </Part>
      {record.agreed.length > 0 && (
        <Part title="Agreed with the owner">
          <Lines lines={record.agreed.map(({ what, note, at }) => `${what}. ${note} (${dayText(at)})`)} empty="" />
        </Part>
      )}
      <Part title="Decisions">
        <Lines
          lines={record.decisions.map(({ what, why, by, at }) => `${what} ${why} (${by}, ${dayText(at)})`)}
          empty="None written down."
        />
      </Part>
      <Part title="For the owner">
        <Lines lines={record.ownerCautions} empty="No special cautions." />
      </Part>
      <Part title="Time and signature">
        <Text>
          {minutesText(record.minutes)} of work.{' '}
          {signOff
            ? `Signed by ${signOff.by}, ${dayText(signOff.at)}.${signOff.checkUp ? ` Next check-up ${dayText(signOff.checkUp)}.` : ''}`
            : 'Not signed yet.'}
        </Text>
        {signOff?.summary ? <Text>{signOff.summary}</Text> : null}
      </Part>
    </Sheet>
  );
}
