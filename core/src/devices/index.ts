export { readGaugeLine, type GaugeReading } from './gaugeLine';
export { gaugeGate, type GateCounts } from './gaugeGate';
