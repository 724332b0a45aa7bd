import { playerTexts } from '@stadion/core/exchange/formats';
import type { Project } from '@stadion/core/document/model';
import { po } from 'gettext-parser';

/** Every text that a player may see as a gettext template: the id is the context, so that equal texts may be translated apart. */
export function poFile(project: Project): string {
  const translations: Record<string, Record<string, unknown>> = {
    '': { '': { msgid: '', msgstr: [''] } },
  };
  for (const { id, text, where } of playerTexts(project))
    translations[id] = { [text]: { msgctxt: id, msgid: text, msgstr: [''], comments: { extracted: where } } };
  const headers = {
    'Project-Id-Version': project.name,
    'MIME-Version': '1.0',
    'Content-Type': 'text/plain; charset=utf-8',
    'Content-Transfer-Encoding': '8bit',
  };
  const compiled = po.compile({ charset: 'utf-8', headers, translations } as Parameters<typeof po.compile>[0]);
  return `${compiled.toString('utf8')}\n`;
}
