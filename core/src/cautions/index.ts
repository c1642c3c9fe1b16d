export { cautions, deferral, type CautionId } from './cautions';
