export { sheetsPage } from './html.ts';
export { sheetsMarkdown } from './markdown.ts';
export { sheetsOf, type KnownRate, type Sheets } from './sheet.ts';
