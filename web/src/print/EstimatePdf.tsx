import { Text, View } from '@react-pdf/renderer';
import { clockWords, moneyText, type EstimateState, type JobRecord } from '@holotonos/core';
import { minutesText } from '@/ui/words';
import { HeadPdf, type Pictured } from './HeadPdf';
import { inPrint, Part, Sheet, styles } from './sheet';

const amount = { width: 92, textAlign: 'right' } as const;

/** What the owner takes home: what would be done, what it comes to, what is left, in plain words. */
export function EstimatePdf({
  record,
  given,
  timeZone,
  pictured,
}: {
  record: JobRecord;
  given: EstimateState;
  timeZone: string;
  pictured: Pictured;
}) {
  const { dayText } = clockWords(timeZone);
  const { body, benchTime } = given.estimate;
  const { title, currency, lines, total, minutes, taxPercent, leaves, note, changeOf } = body;
  const money = (x: number) => moneyText(x, currency);
  const answer = given.answer?.body;
  return (
    <Sheet title={changeOf ? 'change to the estimate' : 'estimate'} ticket={record.ticket}>
      <HeadPdf
        title={`${changeOf ? 'A change to what we agreed' : 'Estimate'}: ${record.instrument}`}
        pictured={pictured}
      >
        <Text>
          For {record.intake.owner}. {dayText(benchTime)}. Ticket {record.ticket}. {changeOf ? '' : `As “${title}”.`}
        </Text>
      </HeadPdf>
      {note ? <Text style={{ marginTop: 6 }}>{inPrint(note)}</Text> : null}
      <Part title="What would be done">
        {lines.map(({ kind, what, amount: cost }) => (
          <View key={`${kind} ${what}`} style={styles.row} wrap={false}>
            <Text style={{ flex: 1 }}>{inPrint(what)}</Text>
            <Text style={amount}>{money(cost.likely)}</Text>
          </View>
        ))}
        <View style={styles.row} wrap={false}>
          <Text style={{ flex: 1, fontWeight: 700 }}>Together, with {taxPercent} % tax</Text>
          <Text style={{ ...amount, fontWeight: 700 }}>{money(total.likely)}</Text>
        </View>
        <Text style={{ marginTop: 4 }}>
          If all goes well {money(total.low)}, if it is stubborn {money(total.high)}. About{' '}
          {minutesText(minutes.likely)} of work at the bench; glue, oil and wood take their own time between.
        </Text>
      </Part>
      {leaves.length > 0 && (
        <Part title="What would be left as it is">
          {leaves.map(({ what, why }) => (
            <Text key={what} style={{ marginBottom: 3 }}>
              {inPrint(what)}. {inPrint(why)}
            </Text>
          ))}
        </Part>
      )}
      <Part title="How we work">
        <Text>
          Old instruments hide things under tarnish and old glue. If we find more, we write it down and ask you before
          we go on. Nothing beyond this sheet is done without your word.
        </Text>
      </Part>
      <Part title="Your answer">
        <Text>
          {answer
            ? `${answer.answer === 'accepted' ? 'Accepted' : answer.answer === 'changed' ? 'Accepted with changes' : 'Refused'} on ${dayText(answer.on)}${answer.by ? ` by ${answer.by}` : ''}.${answer.note ? ` ${answer.note}` : ''}`
            : 'Accepted / accepted with changes / refused, date and name: ………………………………………………'}
        </Text>
      </Part>
    </Sheet>
  );
}
