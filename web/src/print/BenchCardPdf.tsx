import { Text, View } from '@react-pdf/renderer';
import { cautionWords, dayText, deferral, type JobPlan, type JobRecord, type ShopState } from '@holotonos/core';
import { minutesText } from '@/ui/words';
import { HeadPdf, type Pictured } from './HeadPdf';
import { inPrint, Lines, Part, Sheet, styles } from './sheet';

/** The card that lies on the bench beside the instrument: what is open, in order, with room for a tick. */
export function BenchCardPdf({
  record,
  plan,
  shop,
  pictured,
}: {
  record: JobRecord;
  plan: JobPlan;
  shop: Pick<ShopState, 'hours' | 'cautions'>;
  pictured: Pictured;
}) {
  const open = plan.steps.filter(({ status }) => status !== 'done' && status !== 'skipped');
  const hazards = [...new Set(open.flatMap((step) => step.cautions))];
  const { intake } = record;
  return (
    <Sheet title="bench card" ticket={record.ticket}>
      <HeadPdf title={`${record.ticket}: ${record.instrument}`} pictured={pictured}>
        <Text>
          {intake.owner}
          {intake.dueBy ? `. Due ${dayText(intake.dueBy, shop.hours.timeZone)}` : ''}. Practice: {record.practice.title}
          .
        </Text>
        {intake.mayChange ? <Text>May be changed: {intake.mayChange}</Text> : null}
      </HeadPdf>
      <Part title={`Steps open: about ${minutesText(plan.minutesLeft.likely)} of work`}>
        {open.map((step) => (
          <View key={step.id} style={styles.row} wrap={false}>
            <View
              style={{ width: 12, height: 12, borderWidth: 1, borderColor: '#241a17', marginRight: 8, marginTop: 1 }}
            />
            <View style={{ flex: 1 }}>
              <Text style={{ fontWeight: 700 }}>{inPrint(step.title)}</Text>
              <Text style={styles.soft}>
                {step.stage} · {minutesText(step.minutes.likely)}
                {step.unattended > 0 ? `, then leave ${minutesText(step.unattended)}` : ''}
                {step.after[0] ? ` · ${step.after[0].reason}` : ''}
              </Text>
            </View>
          </View>
        ))}
        {open.length === 0 && <Text>Nothing is open.</Text>}
      </Part>
      <Part title="Cautions">
        <Lines lines={hazards.map((id) => cautionWords(shop.cautions, id).text)} empty="None." />
        <Text>{deferral}</Text>
      </Part>
    </Sheet>
  );
}
