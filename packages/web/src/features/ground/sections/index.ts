export { onSection } from './onSection.ts';
export { SectionSentence } from './SectionSentence.tsx';
export { SectionStrips } from './SectionStrips.tsx';
export { SectionTable } from './SectionTable.tsx';
