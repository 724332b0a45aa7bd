export const PROJECT_FORMAT = 'stadion-project';
export const PROJECT_VERSION = 3;
