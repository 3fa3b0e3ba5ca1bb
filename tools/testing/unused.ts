import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { ROOT } from '../place.js';

/** Functions, classes and values that a file gives away and no other part of the product takes: specs do not count, nor does its own text. */
export interface Unused {
  readonly file: string;
  readonly name: string;
}

const FOLDERS = ['core/src', 'server/src', 'web/src', 'demo/src', 'tools'] as const;

/** Files of the product by path, specs and what only they share left out. */
function productFiles(): string[] {
  return FOLDERS.flatMap((folder) =>
    readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
      .map((f) => `${folder}/${f.replaceAll('\\', '/')}`)
      .filter((f) => f.endsWith('.ts') && !f.endsWith('.spec.ts') && !f.endsWith('.d.ts') && !f.includes('/testing/')),
  );
}

/** How often each name stands in the code of a file; words in comments and texts are none. */
function namesIn(source: ts.SourceFile): Map<string, number> {
  const counts = new Map<string, number>();
  const visit = (node: ts.Node): void => {
    if (ts.isIdentifier(node)) counts.set(node.text, (counts.get(node.text) ?? 0) + 1);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return counts;
}

/** Names that a file gives away, types left out: those belong to what they describe. */
function givenBy(source: ts.SourceFile): string[] {
  return source.statements.flatMap((s) => {
    const exported = ts.canHaveModifiers(s) && ts.getModifiers(s)?.some((m) => m.kind === ts.SyntaxKind.ExportKeyword);
    if (!exported) return [];
    if ((ts.isFunctionDeclaration(s) || ts.isClassDeclaration(s)) && s.name) return [s.name.text];
    if (!ts.isVariableStatement(s)) return [];
    return s.declarationList.declarations.flatMap((d) => (ts.isIdentifier(d.name) ? [d.name.text] : []));
  });
}

/** What nobody uses, sorted by name. A name counts as used when another file says it, or its own file a second time. */
export function unusedExports(): Unused[] {
  const sources = productFiles().map((file) => ({
    file,
    source: ts.createSourceFile(file, readFileSync(join(ROOT, file), 'utf8'), ts.ScriptTarget.Latest),
  }));
  const named = sources.map(({ source }) => namesIn(source));
  // Templates of screens name what their class gives, and the class what they name.
  return sources
    .flatMap(({ file, source }, i) =>
      givenBy(source)
        .filter((name) => (named[i]?.get(name) ?? 0) < 2 && !named.some((names, j) => j !== i && names.has(name)))
        .map((name) => ({ file, name })),
    )
    .sort((a, b) => a.name.localeCompare(b.name));
}
