import { Document, Page, Text, View } from '@react-pdf/renderer';
import { clockWords, type JobRecord } from '@holotonos/core';
import { inPrint, Lines, styles } from './sheet';

/** Lines of each list that a card has room for. */
const mostLines = 4;

/** A card of A6 that is sent or handed to the owner: when to bring it back, what to watch until then. */
export function CheckUpPdf({ record, day, timeZone }: { record: JobRecord; day: string; timeZone: string }) {
  const { dayText } = clockWords(timeZone);
  const { intake, ticket, instrument, signOff, ownerCautions, left } = record;
  const made = [intake.maker, intake.made].filter(Boolean).join(', ');
  return (
    <Document title={`${ticket} check-up`} creator="Holotonos">
      <Page size="A6" orientation="landscape" style={{ ...styles.page, padding: 22, paddingBottom: 30, fontSize: 9.5 }}>
        <Text style={{ ...styles.title, fontSize: 14 }}>Time for a look: {dayText(day)}</Text>
        <Text>
          {inPrint(`${intake.owner}: your ${instrument.toLowerCase()}${made ? ` (${made})` : ''}`)}
          {signOff ? ` went home on ${dayText(signOff.at)}.` : ' has been here.'} Pads settle, corks give, oil runs out:
          a short look by this day keeps the work good.
        </Text>
        <View style={{ flexDirection: 'row', gap: 16, marginTop: 6 }}>
          <View style={{ flex: 1 }}>
            <Text style={{ fontWeight: 700 }}>Until then</Text>
            <Lines lines={ownerCautions.slice(0, mostLines)} empty="Play it, and wipe it dry." />
          </View>
          {left.length > 0 && (
            <View style={{ flex: 1 }}>
              <Text style={{ fontWeight: 700 }}>Left as it was, to be looked at</Text>
              <Lines lines={left.slice(0, mostLines).map(({ what }) => what)} empty="" />
            </View>
          )}
        </View>
        <View style={{ ...styles.footer, bottom: 14, left: 22, right: 22 }} fixed>
          <Text>Ticket {ticket}. Call before you come, and bring the record.</Text>
        </View>
      </Page>
    </Document>
  );
}
