import * as z from 'zod';
import { HOST } from './host.js';
import type { Member } from './member.js';

/** One PostgreSQL of a cell, with the Patroni that minds it. */
export interface Node {
  readonly name: string;
  readonly member: Member;
  readonly pgPort: number;
  readonly restPort: number;
  readonly data: string;
  /** What its pgBackRest reads. */
  readonly backrest: string;
}

/** As Patroni 3 tells of a cell at `/cluster`. */
const TOLD = z.object({ members: z.array(z.object({ name: z.string(), role: z.string(), state: z.string() })) });
type Told = z.infer<typeof TOLD>['members'];

/** What the nodes say of each other: of the first that answers. @throws what the last of them said when none does */
export async function whoLeads(nodes: readonly Node[]): Promise<Told> {
  let last: unknown = new Error('no node is there');
  for (const node of nodes.filter((n) => n.member.lives)) {
    try {
      const answer = await fetch(`http://${HOST}:${node.restPort}/cluster`, { signal: AbortSignal.timeout(3_000) });
      return TOLD.parse(await answer.json()).members;
    } catch (error) {
      last = error;
    }
  }
  throw last;
}

/** Whether a node says of itself that its PostgreSQL is up; what others say of it may be of before it died. */
export async function isUp(node: Node): Promise<boolean> {
  return (await fetch(`http://${HOST}:${node.restPort}/health`, { signal: AbortSignal.timeout(3_000) })).ok;
}

const RUNS = ['running', 'streaming'];

/** Who of some nodes leads and is up, and whether all are: one that leads, each other one following, one of them in step with it. */
export function nodesAs(
  nodes: readonly Node[],
  told: Told,
): { readonly leader: Node | undefined; readonly inStep: Node | undefined; readonly whole: boolean } {
  const up = told.filter((t) => RUNS.includes(t.state));
  const as = (role: string): Node | undefined => nodes.find((n) => n.member.lives && up.some((t) => t.name === n.name && t.role === role));
  const [leader, inStep] = [as('leader'), as('sync_standby')];
  return { leader, inStep, whole: leader !== undefined && inStep !== undefined && up.length === nodes.length };
}
