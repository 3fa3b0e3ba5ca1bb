/// <reference lib="webworker" />
import { makePlan, type PlanInput } from '@mansuet/core/plan';

addEventListener('message', ({ data }: MessageEvent<{ id: number; input: PlanInput }>) => {
  const from = performance.now();
  const plan = makePlan(data.input);
  postMessage({ id: data.id, plan, ms: performance.now() - from });
});
