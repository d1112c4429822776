import sharp from 'sharp';
import { judgePhoto } from '#core/photo/judge-photo';
import { asGrey, isRight, judged, photoCases, scenes } from './photos';

/** How often a photo is judged rightly, by the way in which it was spoilt, and how long it takes for twelve megapixels. */
const all = await scenes();
const cases = await photoCases(all);
console.log(`${all.length} scenes, ${cases.length} photos`);
const kinds = new Map<string, { right: number; count: number; wrong: Map<string, number> }>();
for (const one of cases) {
  const found = await judged(one);
  const kind = kinds.get(one.kind) ?? { right: 0, count: 0, wrong: new Map() };
  kind.count += 1;
  if (isRight(one, found)) kind.right += 1;
  else kind.wrong.set(found.join('+') || 'nothing', (kind.wrong.get(found.join('+') || 'nothing') ?? 0) + 1);
  kinds.set(one.kind, kind);
}
for (const [kind, { right, count, wrong }] of kinds) {
  const instead = [...wrong].map(([found, times]) => `${found} ${times}`).join(', ');
  console.log(`  ${kind.padEnd(28)} ${((100 * right) / count).toFixed(0).padStart(4)} %   ${instead}`);
}
const [scene] = all;
if (scene) {
  const large = await sharp(scene).resize(4000, 3000).jpeg().toBuffer();
  const shrinking = performance.now();
  const grey = await asGrey(large);
  const judging = performance.now();
  judgePhoto({ grey, longest: 4000 }, undefined, grey);
  const end = performance.now();
  console.log(
    `12 megapixels: judged in ${(end - judging).toFixed(0)} ms, ${((end - judging) / (judging - shrinking)).toFixed(1)} times what decoding and shrinking it takes`,
  );
}
