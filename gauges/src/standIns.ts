import {
  chanceFrom,
  gaugeShows,
  gaugeTakes,
  hiddenInstrument,
  isSigned,
  shelfGauges,
  trueFigure,
  unitOfMeasure,
  type Chance,
  type GaugeKind,
  type InstrumentType,
  type MeasuringPoint,
  type TrueInstrument,
} from '@holotonos/core';

/** What the bench points the gauges at: the place that is asked for now. */
export interface Aim {
  token: string;
  ticket: string;
  type: InstrumentType;
  point: MeasuringPoint;
}

/** A made-up bench device. */
export interface StandIn {
  gauge: string;
  kind: GaugeKind;
  name: string;
  resolution: number;
  maxPermissibleError: number;
}

const lineUnits = { 'mm': 'mm', 'N': 'N', 'mL/min': 'mL/min', '°': 'deg', '%': '%RH', 'cents': 'cents' } as const;

/** The devices on the bench: one for each gauge of the shelf that could have a cable, and a hygrometer. */
export const standIns: readonly StandIn[] = [
  // A tester with a scale of its own has a dial and no cable.
  ...shelfGauges
    .filter(({ scale }) => !scale)
    .map(({ id, kind, name, resolution, maxPermissibleError }) => ({
      gauge: id,
      kind,
      name,
      resolution,
      maxPermissibleError,
    })),
  { gauge: 'hygrometer', kind: 'hygrometer', name: 'Room hygrometer', resolution: 1, maxPermissibleError: 2 },
];

/** Air of the made-up workshop. */
const roomHumidity = 46;
const roomTemperature = 20.5;

/** Reads made-up instruments with made-up gauges: their hidden truth, plus what the gauge adds of its own. */
export class Bench {
  #aim: Aim | null = null;
  readonly #chance: Chance;
  readonly #truths = new Map<string, TrueInstrument>();

  constructor(seed: number) {
    this.#chance = chanceFrom(seed);
  }

  get aim(): Aim | null {
    return this.#aim;
  }

  /** Points the gauges at a place; null takes them off. */
  point(aim: Aim | null): void {
    this.#aim = aim;
  }

  /** Can this gauge read what is asked for? */
  fits({ kind }: StandIn): boolean {
    return kind === 'hygrometer' || (this.#aim !== null && gaugeTakes[kind].includes(this.#aim.point.measure));
  }

  #truth({ ticket, type }: Aim): TrueInstrument {
    const known = this.#truths.get(ticket) ?? hiddenInstrument(ticket, type);
    this.#truths.set(ticket, known);
    return known;
  }

  /**
   * The lines a gauge sends when its button is pressed.
   *
   * @param value what it is to show instead of what is true
   * @throws Error when there is nothing it could read
   */
  press(standIn: StandIn, value?: number): string[] {
    const { gauge, kind, name } = standIn;
    const line = (figure: number, unit: string, aim?: string) =>
      JSON.stringify({ gauge, kind, name, value: Number(figure.toFixed(4)), unit, ...(aim !== undefined && { aim }) });
    if (kind === 'hygrometer') {
      const humidity = gaugeShows(value ?? roomHumidity, standIn, this.#chance);
      return [
        line(humidity, '%RH'),
        JSON.stringify({ gauge: 'thermometer', kind, name, value: roomTemperature, unit: 'C' }),
      ];
    }
    const aim = this.#aim;
    if (value !== undefined) return [line(value, aim ? lineUnits[unitOfMeasure(aim.point.measure)] : 'mm', aim?.token)];
    if (!aim) throw new Error('The bench asks for nothing yet: open a measuring page or a round first.');
    if (!this.fits(standIn)) throw new Error(`${name} cannot read this: the bench asks for “${aim.point.measure}”.`);
    const is = trueFigure(aim.type, this.#truth(aim), aim.point, this.#chance);
    if (is === null) throw new Error('The made-up instrument has no such place.');
    const shown = gaugeShows(is, standIn, this.#chance);
    const { measure } = aim.point;
    return [line(isSigned(measure) ? shown : Math.max(0, shown), lineUnits[unitOfMeasure(measure)], aim.token)];
  }
}
