/** The files that a project is handed over in, in the order in which they are offered. */
export const FILES = [
  {
    name: 'hand-off.json',
    type: 'application/json',
    title: 'Hand-off',
    about: 'What the game reads: every number of every slot resolved; rules, clock, stars, texts.',
    schema: 'hand-off.json',
  },
  {
    name: 'project.json',
    type: 'application/json',
    title: 'Project',
    about: 'Everything in one file, for version control. Reads back as it is.',
    schema: 'project.json',
  },
  {
    name: 'values.csv',
    type: 'text/csv',
    title: 'Values, commas',
    about: 'Every parameter at every slot, one row per slot. Reads back on Ramps.',
  },
  {
    name: 'values.tsv',
    type: 'text/tab-separated-values',
    title: 'Values, tabs',
    about: 'The same with tabs, to be pasted into a sheet.',
  },
  {
    name: 'strings.json',
    type: 'application/json',
    title: 'Strings',
    about: 'Every text that a player sees, by its id.',
    schema: 'strings.json',
  },
  {
    name: 'strings.po',
    type: 'text/x-gettext-translation',
    title: 'Strings, gettext',
    about: 'The same for translators: the id is the context.',
  },
  {
    name: 'checks.xml',
    type: 'application/xml',
    title: 'Checks, JUnit',
    about: 'Findings and expectations as test cases, for continuous integration.',
  },
  {
    name: 'sheets.html',
    type: 'text/html',
    title: 'Level sheets',
    about: 'One page of paper a level: rules in words, numbers, ground, forecast, findings. Print it from the browser.',
  },
  {
    name: 'sheets.md',
    type: 'text/markdown',
    title: 'Level sheets, Markdown',
    about: 'The same as text, for a wiki.',
  },
] as const satisfies readonly FileKind[];

interface FileKind {
  /** With its ending; after the project's name in a download. */
  name: string;
  /** Media type. */
  type: string;
  title: string;
  about: string;
  /** Name of its JSON Schema. */
  schema?: string;
}

export type FileName = (typeof FILES)[number]['name'];
