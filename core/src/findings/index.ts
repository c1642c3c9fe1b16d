export * from './findingWords';
export * from './pictureWords';
export * from './likelyCauses';
export * from './commonCauses';
