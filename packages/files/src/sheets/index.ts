export { sheetsPage } from './html.ts';
export { sheetsMarkdown } from './markdown.ts';
export { sheetsOf, type Rates, type Sheets } from './sheet.ts';
