'use client';

import {
  faultsAt,
  landingWords,
  lastAct,
  lightPicture,
  linksAt,
  pictureWords,
  seenLight,
  station,
  stationPlaces,
  surveyProgress,
  surveyStations,
  worsened,
  type FindingState,
  type Landing,
  type PartPlace,
  type SpringFault,
  type SurveyFault,
  type SurveyStation,
} from '@holotonos/core';
import { useSearchParams } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import { v4 as newId } from 'uuid';
import { useJob } from '@/job/JobContext';

const isStation = (id: string | null): id is SurveyStation => surveyStations.some((each) => each === id);
/** Nearer than this along a section is the same spot, mm. */
const sameSpot = 8;

/** Where the survey stands, and everything that can be done there. Nothing is kept here but the place and open sectors. */
export function useSurvey() {
  const { type, state, write, names } = useJob();
  const query = useSearchParams();
  const progress = useMemo(() => surveyProgress(state, type), [state, type]);
  const [at, setAt] = useState<{ id: SurveyStation; index: number }>(() => {
    const asked = query.get('station');
    const id = isStation(asked) ? asked : (progress.next ?? 'joints');
    const index = stationPlaces(type, id).findIndex(({ part }) => part === query.get('part'));
    return { id, index: Math.max(0, index) };
  });
  /** sectors pressed at this pad and not written yet; null shows what was seen before */
  const [pressed, setPressed] = useState<readonly number[] | null>(null);
  const [lastId, setLastId] = useState<string | null>(null);
  /** where on a section the next finding sits, as pressed on the strip */
  const [spot, setSpot] = useState<PartPlace | null>(null);
  /** the link that is asked for, of those met at this pad */
  const [linkAt, setLinkAt] = useState(0);
  const [said, setSaid] = useState('');

  const here = station(at.id);
  const places = useMemo(() => stationPlaces(type, at.id), [type, at.id]);
  const place = places[Math.min(at.index, places.length - 1)] ?? null;
  const part = place?.part ?? null;
  const faults = useMemo(() => faultsAt(type, here, place), [type, here, place]);
  const findings = useMemo(
    () => [...state.findings.values()].filter((finding) => finding.status !== 'declined'),
    [state.findings],
  );
  const findingsHere = findings.filter((finding) => finding.part === part);
  const last = findings.find(({ finding }) => finding === lastId) ?? null;
  const seen = part === null ? undefined : state.observations.get(`light:${part}`);
  const sectors = pressed ?? seen?.sectors ?? [];

  const go = useCallback((id: SurveyStation, index: number) => {
    setAt({ id, index });
    setPressed(null);
    setLinkAt(0);
    setSpot(null);
    window.history.replaceState(null, '', `?station=${id}`);
  }, []);
  const move = useCallback(
    (steps: number) => go(at.id, Math.max(0, Math.min(places.length - 1, at.index + steps))),
    [go, at, places.length],
  );
  const pick = useCallback(
    (wanted: string, pressedAt?: PartPlace) => {
      const index = places.findIndex((each) => each.part === wanted);
      if (index === -1) return;
      go(at.id, index);
      setSpot(pressedAt ?? null);
    },
    [go, places, at.id],
  );

  const rewrite = (
    finding: FindingState,
    change: Partial<Pick<FindingState, 'severity' | 'status' | 'note' | 'place'>>,
  ) => {
    const { finding: id, kind, part: on, severity, status, note, place: sits } = { ...finding, ...change };
    return write('finding', { finding: id, kind, part: on, severity, status, note, ...(sits && { place: sits }) });
  };
  /** Writes a fault at this place; the same one again makes it worse. */
  const mark = (kind: SurveyFault['kind'], note: string, spring?: SpringFault) => {
    if (part === null) return;
    // Two dents on one section are two findings when they sit at two spots.
    const elsewhere = (finding: FindingState) =>
      spot !== null && finding.place !== null && Math.abs(finding.place.at - spot.at) > sameSpot;
    const before = findingsHere.find(
      (finding) =>
        finding.kind === kind &&
        (note === '' || finding.note === note) &&
        (spring === undefined || finding.spring === spring) &&
        !elsewhere(finding),
    );
    if (before) {
      setLastId(before.finding);
      if (before.severity === 3) return setSaid('It is as bad as can be written');
      rewrite(before, { severity: worsened(before) });
      return setSaid('Made worse');
    }
    const finding = newId();
    if (
      !write('finding', {
        finding,
        kind,
        part,
        severity: 2,
        status: 'confirmed',
        note,
        ...(spring && { spring }),
        ...(spot && { place: spot }),
      })
    )
      return;
    setLastId(finding);
    setSaid(`${names.get(part) ?? part}: written`);
  };
  const fault = (press: string): boolean => {
    const found = faults.find((each) => each.press === press);
    if (found) mark(found.kind, found.note ?? '', found.spring);
    return found !== undefined;
  };

  /** Writes what the light shows at this pad, and the finding it amounts to. */
  const writeLight = (open: readonly number[]) => {
    if (part === null) return;
    const writings = seenLight(state, type, part, open, newId);
    if (!writings.every(({ kind, body, id }) => write(kind, body, id))) return;
    setPressed(null);
    const found = writings.findLast(({ kind, body }) => kind === 'finding' && body.status !== 'declined');
    if (found?.kind === 'finding') setLastId(found.body.finding);
    const [seenNow] = writings;
    const shows = seenNow?.kind === 'observation' ? (seenNow.body.sectors ?? []) : [];
    setSaid(`${names.get(part) ?? part}: ${pictureWords[lightPicture(shows)].title}`);
  };
  const toggleSector = (clock: number) =>
    setPressed(sectors.includes(clock) ? sectors.filter((each) => each !== clock) : [...sectors, clock]);

  /** What the last press of this survey wrote is struck, all of it. */
  const undo = () => {
    const entries = lastAct(state);
    if (!entries.every((entry) => write('strike', { entry, reason: 'undone at the survey' })) || entries.length === 0)
      return setSaid('Nothing to strike');
    setSaid('Struck');
  };

  /** Answers which lands first at the link that is asked for, and goes on to the next. */
  const links = useMemo(() => (at.id === 'pads' && part !== null ? linksAt(type, part) : []), [type, at.id, part]);
  const link = links[Math.min(linkAt, links.length - 1)] ?? null;
  const land = (lands: Landing, on = link) => {
    if (!on || !write('observation', { part: on.id, about: 'landing', lands })) return;
    setLinkAt(Math.min(links.length - 1, links.indexOf(on) + 1));
    setSaid(`${names.get(on.id) ?? on.id}: ${landingWords(type, on)[lands]}`);
  };

  const stationAfter = (steps: number) => surveyStations[surveyStations.indexOf(at.id) + steps];
  const finish = (outcome: 'looked' | 'skipped') => {
    if (!write('survey', { station: at.id, outcome })) return;
    const next = stationAfter(1);
    if (next) go(next, 0);
    setSaid(`${here.title} ${outcome === 'looked' ? 'looked at' : 'passed over'}`);
  };
  const back = () => {
    const before = stationAfter(-1);
    if (before) go(before, 0);
  };

  return {
    progress,
    here,
    faults,
    places,
    place,
    index: at.index,
    findingsHere,
    last,
    sectors,
    pressed: pressed !== null,
    seen,
    said,
    go,
    move,
    pick,
    fault,
    mark,
    setSeverity: (severity: 1 | 2 | 3) => last && rewrite(last, { severity }),
    worsen: (by: 1 | -1) =>
      last && rewrite(last, { severity: Math.max(1, Math.min(3, last.severity + by)) as 1 | 2 | 3 }),
    doubt: () => last && rewrite(last, { status: last.status === 'suspected' ? 'confirmed' : 'suspected' }),
    note: (text: string) => last && rewrite(last, { note: text }),
    sitsAt: (place_: PartPlace) => last && rewrite(last, { place: place_ }),
    spot,
    choose: setLastId,
    writeLight,
    toggleSector,
    undo,
    links,
    link,
    land,
    nextLink: () => setLinkAt((now) => (links.length === 0 ? 0 : (now + 1) % links.length)),
    finish,
    back,
  };
}

export type Survey = ReturnType<typeof useSurvey>;
