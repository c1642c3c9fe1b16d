export { problemsWith, validatorOf } from './validate';
export { isPlainText, strangeTexts } from './strangeText';
