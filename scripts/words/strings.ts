/** Finds the text a person reads in TypeScript and Vue sources, with its place. */
import { type ElementNode, NodeTypes, type TemplateChildNode } from '@vue/compiler-dom';
import { parse } from '@vue/compiler-sfc';
import ts from 'typescript';

export interface Wording {
  readonly line: number;
  /** As in the source: expressions stand as `${…}` or `{{ … }}`. */
  readonly text: string;
}

/** Attributes of a template whose value is read by nobody. */
const MUTE_ATTRIBUTES =
  /^(class|style|id|key|ref|type|role|d|fill|stroke|points|transform|to|href|src|for|variant|size|form|tag|is|as|width|height|viewBox|marker-end|pointer-events|rel|target|method|name|data-.*|autocomplete|inputmode|step|slot|tabindex|preserveAspectRatio|text-anchor|dominant-baseline|aria-live|aria-hidden|aria-current|aria-controls|scope|rows|cols|accept|view|clip-path|x|y|x1|x2|y1|y2|cx|cy|r)$/;
/** Vue's own directives whose expression decides something instead of showing it. */
const MUTE_DIRECTIVES = new Set(['if', 'else-if', 'show', 'for', 'memo', 'model', 'on', 'slot']);

/** @returns the wordings of a source, in the order they stand in; @throws when a Vue file cannot be parsed */
export function wordingsOf(file: string, source: string): Wording[] {
  if (!file.endsWith('.vue')) return scriptWordings(source, 1, false);
  const { descriptor, errors } = parse(source, { filename: file, sourceMap: false });
  if (errors.length > 0) throw new Error(`${file}: ${errors.map(({ message }) => message).join('; ')}`);
  const found: Wording[] = [];
  for (const block of [descriptor.script, descriptor.scriptSetup])
    if (block != null) found.push(...scriptWordings(block.content, block.loc.start.line, false));
  for (const node of descriptor.template?.ast?.children ?? []) walkTemplate(node, found);
  return found.sort((a, b) => a.line - b.line);
}

function walkTemplate(node: TemplateChildNode, found: Wording[]): void {
  if (node.type !== NodeTypes.ELEMENT) return;
  attributes(node, found);
  // Text and what is put into it are one sentence.
  let sentence: { line: number; parts: string[] } | null = null;
  const end = (): void => {
    const text = sentence?.parts.join('').replaceAll(/\s+/g, ' ').trim() ?? '';
    if (sentence !== null && hasWord(text.replaceAll(/\{\{.*?\}\}/g, ''))) found.push({ line: sentence.line, text });
    sentence = null;
  };
  for (const child of node.children) {
    if (child.type === NodeTypes.TEXT || child.type === NodeTypes.INTERPOLATION) {
      sentence ??= { line: child.loc.start.line, parts: [] };
      sentence.parts.push(child.loc.source);
      if (child.type === NodeTypes.INTERPOLATION) found.push(...scriptWordings(child.loc.source.slice(2, -2), child.loc.start.line, true));
    } else {
      end();
      walkTemplate(child, found);
    }
  }
  end();
}

function attributes({ props }: ElementNode, found: Wording[]): void {
  for (const prop of props) {
    const { line } = prop.loc.start;
    if (prop.type === NodeTypes.ATTRIBUTE) {
      if (!MUTE_ATTRIBUTES.test(prop.name) && prop.value !== undefined && hasWord(prop.value.content))
        found.push({ line, text: prop.value.content });
    } else if (!MUTE_DIRECTIVES.has(prop.name) && !MUTE_ATTRIBUTES.test(prop.arg?.loc.source ?? '') && prop.exp !== undefined) {
      found.push(...scriptWordings(`(${prop.exp.loc.source})`, line, true));
    }
  }
}

/** @param isShown whether the script is an expression of a template, where a single word is read as well */
function scriptWordings(source: string, firstLine: number, isShown: boolean): Wording[] {
  const tree = ts.createSourceFile('a.ts', source, ts.ScriptTarget.Latest, true);
  const found: Wording[] = [];
  const visit = (node: ts.Node): void => {
    if (isText(node)) {
      const text = textOf(node);
      if (!isMute(node) && (isShown ? hasWord : isProse)(text.replaceAll(/\$\{.*?\}/gs, ' … '))) {
        found.push({ line: firstLine + tree.getLineAndCharacterOfPosition(node.getStart()).line, text });
      }
      if (!ts.isTemplateExpression(node)) return;
    }
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return found;
}

type TextNode = ts.StringLiteral | ts.NoSubstitutionTemplateLiteral | ts.TemplateExpression;
const isText = (node: ts.Node): node is TextNode =>
  ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node) || ts.isTemplateExpression(node);
const textOf = (node: TextNode): string => (ts.isTemplateExpression(node) ? node.getText().slice(1, -1) : node.text);

/** Ids, module names, keys, and what is only compared. */
function isMute(node: ts.Node): boolean {
  const { parent } = node;
  if (ts.isImportDeclaration(parent) || ts.isExportDeclaration(parent) || ts.isLiteralTypeNode(parent) || ts.isCaseClause(parent))
    return true;
  if (ts.isPropertyAssignment(parent) && parent.name === node) return true;
  if (ts.isElementAccessExpression(parent) || ts.isTemplateLiteralTypeSpan(parent) || ts.isExternalModuleReference(parent)) return true;
  if (ts.isCallExpression(parent) && parent.expression.kind === ts.SyntaxKind.ImportKeyword) return true;
  return ts.isBinaryExpression(parent) && /^[=!]==?$|^in$/.test(parent.operatorToken.getText());
}

const hasWord = (text: string): boolean => /[A-Za-z]{2,}/.test(text);
/** Several words, or one that begins like a sentence: not an id, a path, a selector or a colour. */
function isProse(text: string): boolean {
  const bare = text.trim();
  if (
    !/[a-z]{2,}/.test(bare) ||
    /^[\w@./:#-]*[/:#@][\w@./:#*-]*$/.test(bare) ||
    /^(var|url|rgb|calc|translate|rotate)\(|^M[\d …]/.test(bare)
  )
    return false;
  return /^[“‘(]?[A-Z][a-z]+( |$|[.,:;!?…-])/.test(bare) || /[a-z’]{2,}[,;:]? [a-z(“]{2,}/i.test(bare) || /^[;,.:] ?[a-z]{2,}/.test(text);
}
