export * from './lightPicture';
export * from './stations';
export * from './surveyProgress';
