import { join } from 'node:path';
import { ESLint } from 'eslint';
import { ROOT } from './place.js';

/** What the linter says of a file with these lines, were it there. */
async function said(file: string, text: string): Promise<string[]> {
  const [result] = await new ESLint({ cwd: ROOT }).lintText(text, { filePath: join(ROOT, file) });
  return (result?.messages ?? []).filter((m) => m.ruleId === '@typescript-eslint/no-restricted-imports').map((m) => m.message);
}

describe('the floors of core', () => {
  it('let a folder import from below', async () =>
    expect(await said('core/src/plan/new.ts', "import type { Activity } from '../words/index.js';\nexport type A = Activity;\n")).toEqual(
      [],
    ));
  it('keep it from importing from above, types too', async () => {
    const [message] = await said(
      'core/src/work/new.ts',
      "import type { PlanInput } from '../plan/index.js';\nexport type A = PlanInput;\n",
    );
    expect(message).toContain('"work" is a floor below');
  });
  it('hold between the rooms of knowledge', async () => {
    const [message] = await said('core/src/knowledge/heat/new.ts', "import { isFit } from '../fit/index.js';\nexport const a = isFit;\n");
    expect(message).toContain('"knowledge/heat" is a floor below');
  });
  it('are entered by the door', async () => {
    const [message] = await said(
      'core/src/plan/new.ts',
      "import { zoneFacts } from '../knowledge/anatomy/zones.js';\nexport const a = zoneFacts;\n",
    );
    expect(message).toContain('index.js');
  });
  it('keep screens, servers and files out of core', async () => {
    const [message] = await said('core/src/plan/new.ts', "import { readFileSync } from 'node:fs';\nexport const a = readFileSync;\n");
    expect(message).toContain('Core computes only');
  });
});
