export { minorDigits, minorUnits, moneyText, roundedTo, typedSum } from './money';
export {
  agreedEstimate,
  changeToAgree,
  estimateOptions,
  estimateSteps,
  type EstimateDraft,
  type EstimateOption,
} from './estimate';
export type { EstimateState } from './estimate.kind';
