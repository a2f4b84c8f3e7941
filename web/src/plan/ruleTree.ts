import type { Proposal, RuleNode } from '../api/client';
import { newId } from '../ui/ids';

export type Joint = 'all' | 'any' | 'none' | 'at-least' | 'after';

const USUAL_WAIT = 7;

export const askNode = (p: Proposal): RuleNode => ({
  id: newId(),
  is: 'ask',
  n: 0,
  parts: [],
  leaf: p.leaf,
  subject: p.subject,
  says: p.says,
});

export const jointNode = (is: Joint, parts: RuleNode[], n = 0): RuleNode => ({
  id: newId(),
  is,
  n,
  parts,
  leaf: {},
  subject: '',
  says: '',
});

/** Changes the node with an id; answering undefined takes it out. Joints left empty go too. */
export function change(
  node: RuleNode,
  id: string,
  how: (node: RuleNode) => RuleNode | undefined,
): RuleNode | undefined {
  if (node.id === id) return how(node);
  if (node.is === 'ask') return node;
  const parts = node.parts.map((p) => change(p, id, how)).filter((p) => p !== undefined);
  return parts.length === 0 ? undefined : { ...node, parts };
}

/** The part of a rule with an id. */
export const partOf = (node: RuleNode, id: string): RuleNode | undefined =>
  node.id === id ? node : node.parts.map((p) => partOf(p, id)).find((p) => p !== undefined);

/** What a condition says. */
export const lineOf = (node: RuleNode) => `${node.subject} ${node.says}`.trim();

/** The last condition of a rule, where a field stands that adds one. */
export const lastAsk = (node: RuleNode): RuleNode | undefined =>
  node.is === 'ask' ? node : node.parts.map(lastAsk).findLast((p) => p !== undefined);

/** Adds a condition to a rule: a rule of one question becomes all of two. */
export function addTo(
  root: RuleNode | undefined,
  parent: string | undefined,
  added: RuleNode,
): RuleNode {
  if (!root) return added;
  if (root.is === 'ask' || root.is === 'after') return jointNode('all', [root, added]);
  return change(root, parent ?? root.id, (n) => ({ ...n, parts: [...n.parts, added] })) ?? added;
}

/** Lets a condition hold only some days after it first held. */
export const waitAfter = (node: RuleNode): RuleNode => jointNode('after', [node], USUAL_WAIT);

/** A condition without the days that it waits. */
export const atOnce = (node: RuleNode): RuleNode => node.parts[0] ?? node;

/** Takes a condition out; a joint left with one part becomes that part. */
export function takeOut(root: RuleNode, id: string): RuleNode | undefined {
  const rest = change(root, id, () => undefined);
  return rest && simplify(rest);
}

function simplify(node: RuleNode): RuleNode {
  if (node.is === 'ask') return node;
  if (node.is === 'after') return { ...node, parts: node.parts.map(simplify) };
  const parts = node.parts.map(simplify);
  const only = parts[0];
  if (parts.length === 1 && only && (node.is === 'all' || node.is === 'any')) return only;
  return { ...node, parts, n: Math.min(node.n, parts.length) };
}

const ORDER: Joint[] = ['all', 'any', 'at-least', 'none'];

/** The next word for a joint: all, any, at least 1 up to one less than all, none, all again. */
export function nextJoint(node: RuleNode): RuleNode {
  if (node.is === 'at-least' && node.n < node.parts.length - 1) return { ...node, n: node.n + 1 };
  const next = ORDER[(ORDER.indexOf(node.is as Joint) + 1) % ORDER.length] ?? 'all';
  if (next !== 'at-least') return { ...node, is: next, n: 0 };
  return node.parts.length < 3 ? { ...node, is: 'none', n: 0 } : { ...node, is: 'at-least', n: 2 };
}
