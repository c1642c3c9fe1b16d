'use client';

import {
  along,
  landings,
  lightClocks,
  lookAtPlace,
  namedPictures,
  printQuantity,
  type PartPlace,
  type SurveyStation,
} from '@holotonos/core';
import { useMemo, useRef, type KeyboardEvent } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useFirstFocus } from '@/frame/useFirstFocus';
import { Button } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { SuggestionCard } from '@/job/SuggestionCard';
import { PhotoRow } from '@/photos/PhotoRow';
import type { PhotoTakerHandle } from '@/photos/PhotoTaker';
import { useStripControl, type StripTarget } from '@/tube/StripControl';
import { landingKeys } from './LandingPicker';
import { useSurvey, type Survey } from './useSurvey';
import { FindingHere, LastFinding, pictureKeys } from './LastFinding';
import { PadLight } from './PadLight';

const targetsOf: Record<SurveyStation, readonly StripTarget[]> = {
  joints: ['joints'],
  body: ['sections'],
  holes: ['holes'],
  mechanism: ['keys', 'posts', 'rods'],
  springs: ['keys'],
  pads: ['holes'],
  corks: ['keys', 'fittings'],
};

/** The stations with how far each has come. */
function StationList({ survey }: { survey: Survey }) {
  return (
    <ol className="part-list stations" aria-label="Stations of the survey">
      {survey.progress.stations.map(({ id, title, outcome, findings }) => (
        <li key={id}>
          <button
            type="button"
            aria-current={id === survey.here.id ? 'step' : undefined}
            onClick={() => survey.go(id, 0)}
          >
            <span className="flex-grow-1">{title}</span>
            <span className="soft">
              {outcome === 'looked' ? 'done' : outcome === 'skipped' ? 'passed over' : ''}
              {findings > 0 && <strong> {findings}</strong>}
            </span>
          </button>
        </li>
      ))}
    </ol>
  );
}

/** The faults that can be seen at this place, each on its key. */
function Faults({ survey }: { survey: Survey }) {
  return (
    <div className="fault-keys" role="group" aria-label="Faults at this place">
      {survey.faults.map(({ press, words }) => (
        <button key={press} type="button" onClick={() => survey.fault(press)}>
          <kbd>{press}</kbd> {words}
        </button>
      ))}
    </div>
  );
}

/** A guided pass over the instrument: station by station, place by place, one or two keys for each fault. */
export function SurveyView() {
  const { type, names, state, judgement } = useJob();
  const survey = useSurvey();
  const desk = useRef<HTMLDivElement>(null);
  const noteField = useRef<HTMLInputElement>(null);
  const photo = useRef<PhotoTakerHandle>(null);
  usePageKeys(pageKeys.survey.keys);
  const back = useFirstFocus(desk);

  const { here, place, places, index, pick } = survey;
  const part = place?.part ?? null;
  const counts = useMemo(() => {
    const found = new Map<string, number>();
    for (const { status, part: on } of state.findings.values())
      if (status !== 'declined') found.set(on, (found.get(on) ?? 0) + 1);
    return found;
  }, [state.findings]);
  useStripControl(
    useMemo(
      () => ({
        targets: targetsOf[here.id],
        here: part,
        onPick: (wanted: string, spot?: PartPlace) => {
          pick(wanted, spot);
          back();
        },
        flagOf: (on: string) => {
          const count = counts.get(on);
          return count ? `${count} ${count === 1 ? 'finding' : 'findings'}` : null;
        },
      }),
      [here.id, part, pick, counts, back],
    ),
  );

  const atPads = here.id === 'pads';
  const padKey = (key: string): boolean => {
    const lands = landings[landingKeys.findIndex((each) => each === key)];
    if (survey.link && lands) return (survey.land(lands), true);
    if (survey.link && key === ';') return (survey.nextLink(), true);
    const clock = lightClocks[Number(key) - 1];
    if (clock !== undefined && key !== '0') survey.toggleSector(clock);
    else if (pictureKeys[key]) survey.writeLight(namedPictures[pictureKeys[key]].sectors);
    else return false;
    return true;
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const { key } = event;
    // A button that has the focus keeps its own keys.
    const onControl = event.target !== desk.current && (key === 'Enter' || key === ' ');
    if (onControl || (event.target as HTMLElement).matches('input, textarea, select')) return;
    const acts: Record<string, () => void> = {
      'ArrowRight': () => survey.move(1),
      'ArrowLeft': () => survey.move(-1),
      'ArrowDown': () => survey.move(1),
      'ArrowUp': () => survey.move(-1),
      'Home': () => survey.move(-places.length),
      'End': () => survey.move(places.length),
      'Enter': () => {
        if (atPads && survey.pressed) survey.writeLight(survey.sectors);
        survey.move(1);
      },
      'PageDown': () => survey.finish(event.shiftKey ? 'skipped' : 'looked'),
      'PageUp': survey.back,
      'Backspace': survey.undo,
      '/': survey.doubt,
      ',': () => noteField.current?.focus(),
      '.': () => photo.current?.open(),
      '+': () => survey.worsen(1),
      '=': () => survey.worsen(1),
      '-': () => survey.worsen(-1),
    };
    const act = acts[key];
    const severity = Number(key);
    if (atPads && padKey(key.toLowerCase())) back();
    else if (act) act();
    else if (!atPads && (severity === 1 || severity === 2 || severity === 3)) survey.setSeverity(severity);
    else if (!survey.fault(key.toLowerCase())) return;
    event.preventDefault();
  };

  const causes = judgement.suggestions.filter(({ key }) => key.startsWith('common:'));
  const partPhotos = [...state.photos.values()].filter((each) => each.part === part && each.finding === null);
  const next = places[index + 1];
  const work = (
    // The keys work only while the focus is in here, so that they surprise nobody elsewhere.
    <div className="survey" onKeyDown={onKeyDown}>
      <div>
        <StationList survey={survey} />
        <div className="d-grid gap-2 mt-2">
          <Button onClick={() => survey.finish('looked')}>Looked at: next station</Button>
          <Button variant="quiet" onClick={() => survey.finish('skipped')}>
            Pass it over
          </Button>
        </div>
      </div>
      <div className="sheet mb-0">
        <div
          ref={desk}
          className="survey-console"
          tabIndex={0}
          role="group"
          aria-label={`${here.title}: ${part === null ? 'no place' : (names.get(part) ?? part)}. Letters write faults here; question mark tells the keys.`}
        >
          <div className="label">{here.title}</div>
          {place === null ? (
            <p className="mb-0">This instrument has nothing to look at here. Go on to the next station.</p>
          ) : (
            <h2 className="survey-place mb-0" aria-live="polite">
              {names.get(place.part) ?? place.part}{' '}
              <span className="soft">
                {place.kind}, {Math.min(index + 1, places.length)} of {places.length}
                {survey.spot && ` · at ${printQuantity(along(survey.spot.at), state.unit)}, ${survey.spot.clock}°`}
              </span>
            </h2>
          )}
        </div>
        {atPads && <PadLight survey={survey} />}
        <Faults survey={survey} />
      </div>
      <div>
        <div className="sheet">
          <h2>At this place</h2>
          {survey.findingsHere.length === 0 ? (
            <p className="soft mb-0">Nothing noted.</p>
          ) : (
            <ul className="plain-list">
              {survey.findingsHere.map((finding) => (
                <FindingHere key={finding.finding} finding={finding} survey={survey} />
              ))}
            </ul>
          )}
          <PhotoRow photos={partPhotos} />
          <h3 className="mt-3">How to look</h3>
          <p className="soft mb-0">{lookAtPlace(type, here, part)}</p>
        </div>
        {causes.length > 0 && <h2>One deeper cause?</h2>}
        {causes.map((suggestion) => (
          <SuggestionCard key={suggestion.key} suggestion={suggestion} />
        ))}
      </div>
    </div>
  );
  return (
    <Bands
      work={work}
      readout={
        <div className="readout-plain survey-readout" onKeyDown={onKeyDown}>
          <div>
            <div className="next">{part === null ? here.title : (names.get(part) ?? part)}</div>
            <div className="soft">
              {next ? `then ${names.get(next.part) ?? next.part}` : 'last place of this station'}
              {counts.size > 0 && ` · ${counts.size} ${counts.size === 1 ? 'place' : 'places'} with findings`}
            </div>
          </div>
          <LastFinding
            key={survey.last?.finding ?? 'none'}
            survey={survey}
            noteField={noteField}
            photo={photo}
            onDone={back}
          />
          <div className="visually-hidden" aria-live="polite">
            {survey.said}
          </div>
        </div>
      }
    />
  );
}
