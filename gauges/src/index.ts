export { serveGauges, type Gauges } from './serve';
