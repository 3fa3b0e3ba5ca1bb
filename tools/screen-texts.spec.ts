import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ESLint } from 'eslint';
import { ROOT } from './place.js';
import { MARKS_ONLY, SCREENS_NOT_YET_MARKED } from './screen-texts.mjs';

/** Lower it with every screen that is marked. */
const MOST = 43;
const RULE = '@angular-eslint/template/i18n';

describe('screens whose texts are not yet marked', () => {
  it('only become fewer', () => expect(SCREENS_NOT_YET_MARKED.length).toBe(MOST));
  it('are there', () => expect(SCREENS_NOT_YET_MARKED.filter((file) => !existsSync(join(ROOT, file)))).toEqual([]));
  it('are taken off the list once they are marked', async () => {
    const linter = new ESLint({ cwd: ROOT, overrideConfigFile: true, overrideConfig: MARKS_ONLY });
    const results = await linter.lintFiles([...SCREENS_NOT_YET_MARKED]);
    const marked = results.filter((r) => !r.messages.some((m) => m.ruleId === RULE)).map((r) => r.filePath);
    expect(results.length).toBe(SCREENS_NOT_YET_MARKED.length);
    expect(marked).toEqual([]);
  });
});
