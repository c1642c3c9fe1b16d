export * from './findingWords';
export * from './pictureWords';
