import { join, relative } from 'node:path';
import ts from 'typescript';
import { inProject } from '../site/paths.ts';

// What each operation can refuse, read from the code itself: every problem that is made anywhere between its route and the bottom of what that calls. A branch that one
// operation never takes counts too: a problem may be listed that does not come, and none comes that is not listed.

const program = (): ts.Program => {
  const config = ts.readConfigFile(inProject('tsconfig.json'), ts.sys.readFile);
  const { options, fileNames } = ts.parseJsonConfigFileContent(config.config, ts.sys, inProject());
  const routes = ts.sys.readDirectory(inProject('src', 'pages', 'api'), ['.ts']);
  const isOurs = (path: string): boolean => path.includes(`${inProject('src')}/`);
  return ts.createProgram([...new Set([...routes, ...fileNames.filter(isOurs)])], options);
};

const sourceOf = (all: ts.Program, path: string): ts.SourceFile => {
  const file = all.getSourceFile(inProject(...path.split('/')));
  if (!file) throw new Error(`${path} is not there`);
  return file;
};

/** Every code that a problem can have. */
const knownCodes = (all: ts.Program, checker: ts.TypeChecker): ReadonlySet<string> => {
  const codes = new Set<string>();
  ts.forEachChild(sourceOf(all, 'src/wire/problems/problem.ts'), (node) => {
    if (!ts.isTypeAliasDeclaration(node) || node.name.text !== 'ProblemCode') return;
    const type = checker.getTypeAtLocation(node);
    for (const each of type.isUnion() ? type.types : [type])
      if (each.isStringLiteral()) codes.add(each.value);
  });
  return codes;
};

const isIn = (node: ts.Node, folder: string): boolean =>
  !relative(inProject('src', folder), node.getSourceFile().fileName).startsWith('..');
/** Code of ours that runs for an operation; words and schemas make no problems. */
const isFollowed = (node: ts.Node): boolean =>
  ['core', 'server', 'pages'].some((folder) => isIn(node, folder));

/** What an identifier stands for, where it was written; nothing for what is not ours. */
const declarationsOf = (checker: ts.TypeChecker, node: ts.Identifier): readonly ts.Declaration[] => {
  // `{ code }` in an object names a value, not the property.
  const symbol = ts.isShorthandPropertyAssignment(node.parent)
    ? checker.getShorthandAssignmentValueSymbol(node.parent)
    : checker.getSymbolAtLocation(node);
  if (!symbol) return [];
  const real = symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol;
  return (real.declarations ?? []).filter(
    (each) => (ts.isVariableDeclaration(each) || ts.isFunctionDeclaration(each)) && isFollowed(each),
  );
};

/** The part of the work in a thread that a kind of it does: each caller names its own. */
const heavyWork = (all: ts.Program, kind: string): readonly ts.Node[] => {
  const found: ts.Node[] = [];
  const look = (node: ts.Node): void => {
    if (ts.isCaseClause(node) && ts.isStringLiteral(node.expression) && node.expression.text === kind)
      found.push(...node.statements);
    ts.forEachChild(node, look);
  };
  look(sourceOf(all, 'src/server/computing/heavy-work.ts'));
  return found;
};

type Reading = {
  readonly all: ts.Program;
  readonly checker: ts.TypeChecker;
  readonly codes: ReadonlySet<string>;
};

const problemsFrom = ({ all, checker, codes }: Reading, root: ts.Node): readonly string[] => {
  const found = new Set<string>();
  const seen = new Set<ts.Node>();
  const follow = (node: ts.Node): void => {
    if (ts.isPropertyAssignment(node) && node.name.getText() === 'code') {
      const literals = (each: ts.Node): void => {
        if (ts.isStringLiteral(each) && codes.has(each.text)) found.add(each.text);
        ts.forEachChild(each, literals);
      };
      literals(node.initializer);
    }
    if (ts.isCallExpression(node) && node.expression.getText() === 'inAThread') {
      const kind = /kind: '([a-z-]+)'/.exec(node.getText())?.[1];
      if (kind) for (const each of heavyWork(all, kind)) follow(each);
    }
    if (ts.isIdentifier(node) && node.text !== 'doWork')
      for (const each of declarationsOf(checker, node)) {
        if (seen.has(each)) continue;
        seen.add(each);
        follow(each);
      }
    // A type says nothing of what is done, but for one that is asked of a function (`typeof simulate`).
    if (ts.isTypeNode(node) && !ts.isTypeQueryNode(node) && !ts.isExpressionWithTypeArguments(node)) {
      ts.forEachChild(node, (each) => (ts.isTypeQueryNode(each) ? follow(each) : undefined));
      return;
    }
    ts.forEachChild(node, follow);
  };
  follow(root);
  return [...found].sort();
};

/** The problems that the services behind each operation can answer, by the operation's name. */
export const operationProblems = (): Readonly<Record<string, readonly string[]>> => {
  const all = program();
  const checker = all.getTypeChecker();
  const reading = { all, checker, codes: knownCodes(all, checker) };
  const problems: Record<string, readonly string[]> = {};
  const look = (node: ts.Node): void => {
    if (ts.isCallExpression(node) && node.expression.getText() === 'endpoint') {
      const [operation, answer] = node.arguments;
      const name = operation?.getText().split('.').at(-1) ?? '';
      if (answer) problems[name] = problemsFrom(reading, answer);
      return;
    }
    ts.forEachChild(node, look);
  };
  for (const file of all.getSourceFiles())
    if (file.fileName.startsWith(join(inProject('src', 'pages', 'api')))) look(file);
  return problems;
};

/** The text of src/wire/operation-problems.ts. */
export const operationProblemsText = (): string => {
  const problems = operationProblems();
  const lines = Object.keys(problems)
    .sort()
    .map((name) => `  ${name}: [${(problems[name] ?? []).map((code) => `'${code}'`).join(', ')}],`);
  return `import type { OPERATIONS } from './api.ts';
import type { ProblemCode } from './problems/problem.ts';

/** What the services behind each operation can refuse. Written by \`npm run openapi\` from the code of the services (scripts/openapi/operation-problems). */
// biome-ignore format: data, a line for each operation
export const OPERATION_PROBLEMS: Readonly<Record<keyof typeof OPERATIONS, readonly ProblemCode[]>> = {
${lines.join('\n')}
};
`;
};
