const IS_SOURCE = import.meta.url.endsWith('.ts');

/** Where the body of a thread is and how it is started: from the sources, or from the build. @param name of its file, beside this one */
export const threadBody = (name: string): { filename: string; execArgv: string[] } => ({
  filename: new URL(`./${name}.${IS_SOURCE ? 'ts' : 'js'}`, import.meta.url).href,
  execArgv: IS_SOURCE ? ['--conditions=source', '--import', 'tsx'] : [],
});
