import type { Plan } from '#core/model/fastener-group';
import { compareWays, jointOf } from '#core/torque/joint';
import { USUAL_PASSES } from '#core/torque/passes';
import { threadIn } from '#core/torque/threads';

/** How long it takes to compare every way of tightening a joint, and how that grows with the number of bolts. */
const plan: Plan = { shape: 'circle' };
const thread = threadIn('M12');
if (!thread) throw new Error('M12 is no thread');

const timeOf = (count: number) => {
  const joint = jointOf(plan, count, thread, 'gasket');
  const times = Array.from({ length: 7 }, () => {
    const started = performance.now();
    compareWays(joint, plan, count, USUAL_PASSES, 30_000);
    return performance.now() - started;
  }).sort((a, b) => a - b);
  return times[3] ?? 0;
};

timeOf(20);
const [ten, twenty, forty] = [timeOf(10), timeOf(20), timeOf(40)];
console.log(`Every way of tightening 40 bolts compared: ${forty.toFixed(0)} ms, in a worker beside the screen`);
console.log(
  `Growth: 20 bolts take ${(twenty / ten).toFixed(1)} times as long as 10, 40 bolts ${(forty / twenty).toFixed(1)} times as long as 20`,
);
const [best, ...others] = compareWays(jointOf(plan, 8, thread, 'gasket'), plan, 8, USUAL_PASSES, 30_000);
const worst = others.at(-1);
if (best && worst)
  console.log(
    `8 bolts on a gasket: ${best.pattern} in ${best.passes.length} passes leaves ${(100 * best.scatter).toFixed(1)} % scatter, ${worst.pattern} in ${worst.passes.length} ${(worst.scatter / best.scatter).toFixed(1)} times as much`,
  );
