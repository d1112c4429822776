import {
  does,
  leftOut,
  type Mistake,
  moved,
  partNamed,
  refits,
  retyped,
  rewritten,
  type TypedJob,
  type TypedLine,
  takes,
} from './mistake';

/** What goes wrong while lines are typed: one left out, one in the wrong place, a sign, figure or word that is wrong. */

const sharesPart = (a: TypedLine) => (b: TypedLine) => b.parts.some((part) => a.parts.includes(part));
const laterLine = (line: TypedLine, { typed }: TypedJob, holds: (other: TypedLine) => boolean) =>
  typed.slice(line.index + 1).find((other) => holds(other) && sharesPart(line)(other));
const isAlwaysRenewed = (line: TypedLine, job: TypedJob) =>
  line.parts.some((name) => partNamed(job, name)?.renewal === 'always');
const sign = (line: TypedLine, mark: string) =>
  new RegExp(`\\s[${mark}][^/@+>!=~?]*(?=\\s[/@+>!=~?]|$)`).exec(line.line)?.[0];
const withoutSign = (mark: string) => (line: TypedLine) => {
  const text = sign(line, mark);
  return text && line.line.replace(text, '');
};
const hasOnThread = ({ step }: TypedLine) => step.torque?.thread?.is === 'with';
const placesOf = ({ job }: TypedJob) => job.positionSets.flatMap(({ positions }) => positions);
const figure = /=(\d+(?:\.\d+)?) N·m/;
const holdsOnlyPlaces = ({ step }: TypedLine) => step.positionIds.length > 1;

/** Parts whose order does not matter: at different places, inside different hosts, or moved to another side. */
const isIndependent = (a: TypedLine, b: TypedLine, job: TypedJob) => {
  const [one, other] = [a, b].map((line) => line.parts.map((name) => partNamed(job, name)));
  const hosts = (parts: typeof one) => (parts ?? []).map((part) => part?.hostId);
  const sets = (parts: typeof one) => (parts ?? []).map((part) => part?.positionSetId);
  const isLine = (line: TypedLine) => does('disconnect', 'connect')(line);
  return (
    hosts(one).some((host) => !hosts(other).includes(host)) ||
    sets(one).some((set) => set && !sets(other).includes(set) && sets(other).every(Boolean)) ||
    [a, b].some(({ step }) => step.fromPositionId) ||
    a.step.positionIds.some((id) => b.step.positionIds.length > 0 && !b.step.positionIds.includes(id)) ||
    (isLine(a) && isLine(b))
  );
};

const LEFT_OUT: readonly Mistake[] = [
  {
    kind: 'taking off left out',
    plant: leftOut(
      (line, job) => takes(line) && laterLine(line, job, refits) !== undefined && line.step.when === undefined,
    ),
  },
  { kind: 'putting back left out', plant: leftOut(refits) },
  { kind: 'renewal left out', plant: leftOut((line, job) => does('renew')(line) && isAlwaysRenewed(line, job)) },
  { kind: 'isolation left out', plant: leftOut(does('isolate', 'lock-out'), 'not-isolated') },
  {
    kind: 'release left out',
    plant: leftOut((line) => does('release-pressure')(line) && !/suction|hydraulic/.test(line.line), 'pressure-kept'),
  },
  { kind: 'closing a valve left out', plant: leftOut(does('close-valve'), 'not-closed') },
  { kind: 'opening a valve left out', plant: leftOut(does('open-valve'), 'not-restored') },
  { kind: 'restoring left out', plant: leftOut(does('restore'), 'not-restored') },
  {
    kind: 'filling left out',
    plant: leftOut(
      (line, { typed }) =>
        does('fill')(line) && typed.some((other) => does('drain')(other) && other.step.about === line.step.about),
      'not-refilled',
    ),
  },
  {
    kind: 'draining left out',
    plant: leftOut(
      (line, { typed }) =>
        does('drain')(line) && typed.some((other) => does('fill')(other) && other.step.about === line.step.about),
      'not-drained',
    ),
  },
  { kind: 'torque left out', plant: leftOut(does('torque')) },
  {
    kind: 'marking left out',
    plant: leftOut((line, job) => does('mark')(line) && line.parts.some((name) => partNamed(job, name)?.matched)),
  },
  {
    kind: 'cleaning left out',
    plant: leftOut((line, job) => does('clean')(line) && laterLine(line, job, hasOnThread) !== undefined),
  },
  { kind: 'soaking left out', plant: leftOut(does('soak')) },
  { kind: 'easing or compressing left out', plant: leftOut((line) => does('ease')(line)) },
  { kind: 'taking apart or snapping together left out', plant: leftOut(does('split', 'join'), 'left-on-cloth') },
];

const isBoltedCover = (name: string, job: TypedJob) => {
  const part = partNamed(job, name);
  return ['cover', 'housing'].includes(part?.kind ?? '') && part?.heldBy !== undefined;
};

/** Before the line that first takes something off. */
const firstOpened = ({ typed }: TypedJob) => typed.findIndex(takes);
const fastenersOf = (line: TypedLine, job: TypedJob) =>
  line.parts.flatMap((name) => partNamed(job, name)?.heldBy ?? []);

const MISPLACED: readonly Mistake[] = [
  {
    kind: 'isolation behind the opening',
    plant: moved((line, job) => (does('isolate', 'lock-out')(line) ? firstOpened(job) + 1 : undefined), 'not-isolated'),
  },
  {
    kind: 'release behind the opening',
    plant: moved(
      (line, job) =>
        does('release-pressure')(line) && !/suction|hydraulic/.test(line.line) ? firstOpened(job) + 1 : undefined,
      'pressure-kept',
    ),
  },
  {
    kind: 'a question behind what hangs on it',
    plant: moved((line, { typed }) => {
      if (!line.step.decision) return undefined;
      const hangs = typed.findLast(({ step }) => step.when?.some(({ stepId }) => stepId === line.step.id));
      return hangs?.index;
    }, 'dead-path'),
  },
  {
    kind: 'power given back too early',
    plant: moved((line, { typed }) => (does('restore')(line) ? typed.findLastIndex(refits) - 1 : undefined)),
  },
  {
    kind: 'filled too early',
    plant: moved((line, { typed }) =>
      does('fill')(line) && /oil/.test(line.step.about ?? '') && !/cup/.test(line.line)
        ? typed.findIndex(refits)
        : undefined,
    ),
  },
  {
    kind: 'tested before the power is back',
    plant: moved((line, { typed }) =>
      does('test')(line) && /run/.test(line.line) ? typed.findIndex(does('restore')) : undefined,
    ),
  },
  {
    kind: 'part taken before its fasteners',
    plant: moved((line, job) => {
      if (!takes(line)) return undefined;
      const held = fastenersOf(line, job);
      const at = job.typed.findIndex(
        (other) =>
          (takes(other) || does('loosen')(other)) &&
          other.step.targets.some(({ componentId }) => held.includes(componentId)),
      );
      return at >= 0 && at < line.index ? at : undefined;
    }),
  },
  {
    kind: 'torque before the part it holds is in',
    plant: moved((line, job) => {
      if (!does('torque')(line)) return undefined;
      const held = job.typed.find(
        (other) =>
          refits(other) &&
          fastenersOf(other, job).some((id) => line.step.targets.some(({ componentId }) => componentId === id)),
      );
      return held && held.index < line.index ? held.index : undefined;
    }),
  },
  {
    kind: 'renewed after it is fitted',
    plant: (job) =>
      moved((line) => {
        if (!does('renew')(line) || !isAlwaysRenewed(line, job)) return undefined;
        const fitted = laterLine(line, job, refits);
        return fitted?.index;
      })(job),
  },
  {
    kind: 'two lines of the way back changed over',
    plant: moved((line, job) => {
      const next = job.typed[line.index + 1];
      if (
        !next ||
        isIndependent(line, next, job) ||
        !refits(line) ||
        !refits(next) ||
        sharesPart(line)(next) ||
        line.step.when ||
        next.step.when
      )
        return undefined;
      return line.index + 1;
    }),
  },
  {
    kind: 'two lines of the teardown changed over',
    plant: moved((line, job) => {
      const next = job.typed[line.index + 1];
      if (
        !next ||
        isIndependent(line, next, job) ||
        !takes(line) ||
        !takes(next) ||
        sharesPart(line)(next) ||
        line.step.when ||
        next.step.when
      )
        return undefined;
      return line.index + 1;
    }),
  },
  {
    kind: 'a part put back three lines too late',
    plant: moved((line, { typed }) => {
      const on = typed.slice(line.index + 1, line.index + 4).filter(refits);
      return refits(line) && on.length === 3 && !on.some(sharesPart(line)) ? line.index + 3 : undefined;
    }),
  },
  {
    kind: 'lock fitted before the torque',
    plant: moved((line, { typed }) => {
      if (!does('pin')(line)) return undefined;
      const torque = typed.findLastIndex((other) => does('torque')(other) && other.index < line.index);
      return torque >= 0 ? torque : undefined;
    }),
  },
];

const EARLY_AND_LATE: readonly Mistake[] = [
  {
    kind: 'renewed before it is out',
    plant: moved((line, job) => (does('renew')(line) && isAlwaysRenewed(line, job) ? firstOpened(job) : undefined)),
  },
  {
    kind: 'looked at before it can be seen',
    plant: moved((line, job) => {
      const taken = job.typed.find((other) => takes(other) && sharesPart(line)(other));
      const cover = job.typed
        .slice(firstOpened(job) + 1, taken?.index)
        .find((other) => takes(other) && other.parts.some((name) => isBoltedCover(name, job)));
      return does('inspect', 'measure')(line) && taken && cover && !line.step.decision ? cover.index : undefined;
    }),
  },
  {
    kind: 'valve closed behind the opening',
    plant: moved((line, job) => (does('close-valve')(line) ? firstOpened(job) + 2 : undefined), 'closed-late'),
  },
  {
    kind: 'pressure let off before the drive is isolated',
    plant: moved((line) => (does('release-pressure')(line) ? 0 : undefined), 'pressure-first'),
  },
  {
    kind: 'marked when it is off',
    plant: moved((line, { typed }) => {
      const taken = typed.find((other) => takes(other) && sharesPart(line)(other));
      return does('mark')(line) && line.parts.length === 1 && taken ? taken.index : undefined;
    }),
  },
  {
    kind: 'filled after the run',
    plant: moved((line, { typed }) => {
      const run = typed.findLast((other) => does('test')(other) && /run/.test(other.line));
      const drained = typed.some((other) => does('drain')(other) && other.step.about === line.step.about);
      return does('fill')(line) && run && drained ? run.index : undefined;
    }, 'run-dry'),
  },
];

const nextPart = (line: TypedLine, { typed }: TypedJob) => {
  const next = typed.slice(line.index + 1).find((other) => refits(other) && !sharesPart(line)(other));
  return next?.parts[0];
};

const MISTYPED: readonly Mistake[] = [
  {
    kind: 'a line typed twice',
    plant: (job) =>
      job.typed
        .filter((line) => (takes(line) || refits(line)) && !line.step.when)
        .flatMap((line) =>
          rewritten(job, job.job.lines.toSpliced(line.index + 1, 0, { key: `${line.key}b`, line: line.line }), line),
        ),
  },
  {
    kind: 'one piece too few put back',
    plant: retyped((line, job) => {
      const [name = ''] = line.parts;
      const count = partNamed(job, name)?.count ?? 1;
      if (!refits(line) || line.parts.length !== 1 || count < 2) return undefined;
      return line.line.replace(new RegExp(`${name}s?`), `${count - 1} ${name}s`);
    }),
  },
  {
    kind: 'one piece too few torqued',
    plant: retyped((line, job) => {
      const [name = ''] = line.parts;
      const count = partNamed(job, name)?.count ?? 1;
      return does('torque')(line) && count > 1
        ? line.line.replace(new RegExp(`${name}s?`), `${count - 1} ${name}s`)
        : undefined;
    }),
  },
  {
    kind: 'more pieces than there are',
    plant: retyped((line, job) => {
      const [name = ''] = line.parts;
      const count = partNamed(job, name)?.count ?? 1;
      if (!(refits(line) || does('torque')(line)) || count < 2) return undefined;
      return line.line.replace(new RegExp(`${name}s?`), `${count + 2} ${name}s`);
    }),
  },
  {
    kind: 'one place left out',
    plant: retyped((line, job) => {
      if (!(refits(line) || takes(line) || does('torque')(line)) || !holdsOnlyPlaces(line) || line.step.decision)
        return undefined;
      const names = line.step.positionIds.slice(1).map((id) => placesOf(job).find((place) => place.id === id)?.name);
      return line.line.replace(/@each [a-z ]+?(?=\s[/+>!=~?]|$)/, names.map((name) => `@${name}`).join(' '));
    }),
  },
  {
    kind: 'renewed at fewer places',
    plant: retyped((line, job) => {
      const fitted = laterLine(line, job, refits);
      const [, ...others] = fitted?.step.positionIds ?? [];
      if (!does('renew')(line) || line.parts.length !== 1 || others.length === 0 || !isAlwaysRenewed(line, job))
        return undefined;
      const names = others.map((id) => placesOf(job).find((place) => place.id === id)?.name);
      return `${line.line} ${names.map((name) => `@${name}`).join(' ')}`;
    }),
  },
  {
    kind: 'renewed fewer than there are',
    plant: retyped((line, job) => {
      const [name = ''] = line.parts;
      const count = partNamed(job, name)?.count ?? 1;
      return does('renew')(line) && count > 1 ? `renew ${count - 1} ${line.line.replace(/^renew /, '')}` : undefined;
    }),
  },
  {
    kind: 'another figure at one place',
    plant: (job) =>
      job.typed
        .filter((line) => does('torque')(line) && line.step.positionIds.length > 1 && !line.step.blockId)
        .flatMap((line) => {
          const [first, ...others] = line.step.positionIds.map(
            (id) => placesOf(job).find((place) => place.id === id)?.name,
          );
          const at = (names: readonly (string | undefined)[], figured: string) =>
            figured.replace(/@each [a-z ]+?(?=\s[/+>!=~?]|$)/, names.map((name) => `@${name}`).join(' '));
          const other = line.line.replace(figure, (_hit, value: string) => `=${Number(value) + 3} N·m`);
          const written = job.job.lines[line.index];
          if (!written) return [];
          const lines = job.job.lines.toSpliced(
            line.index,
            1,
            { ...written, line: at([first], line.line) },
            { ...written, key: `${line.key}b`, line: at(others, other) },
          );
          return rewritten(job, lines, line);
        }),
  },
  {
    kind: 'a hoist that bears too little',
    plant: retyped((line) => line.line.replace(/\/eye bolt, \d+ kg/, '/eye bolt, 15 kg')),
  },
  {
    kind: 'the neighbour named instead',
    plant: retyped((line, job) => {
      const other = nextPart(line, job);
      const [name = ''] = line.parts;
      return refits(line) && line.parts.length === 1 && other && !line.step.when
        ? line.line.replace(new RegExp(`${name}s?`), other)
        : undefined;
    }),
  },
  {
    kind: 'taken off where it should be fitted',
    plant: retyped((line) =>
      refits(line) && /^(fit|screw in|press|start by hand) /.test(line.line)
        ? line.line.replace(/^(fit|screw in|press|start by hand) /, 'take off ')
        : undefined,
    ),
  },
  {
    kind: 'fitted where it should come off',
    plant: retyped((line) =>
      takes(line) && /^(take off|draw|unscrew) /.test(line.line) && !line.step.when
        ? line.line.replace(/^(take off|draw|unscrew) /, 'fit ')
        : undefined,
    ),
  },
  {
    kind: 'wrong way round',
    plant: retyped((line) =>
      refits(line) && />/.test(line.line) && !/arrow|trial/.test(line.line)
        ? line.line.replace(/>([^/@+!=~?]+?) to /, '>$1 away from ')
        : undefined,
    ),
  },
  {
    kind: 'facing left out',
    plant: retyped((line, job) =>
      refits(line) && line.parts.some((name) => partNamed(job, name)?.keyed) ? withoutSign('>')(line) : undefined,
    ),
  },
  {
    kind: 'wanted grease left out',
    plant: retyped((line, job) =>
      refits(line) &&
      line.parts.some((name) => partNamed(job, name)?.wants) &&
      !job.typed.some((other) => does('soak')(other) && sharesPart(line)(other))
        ? withoutSign('+')(line)
        : undefined,
    ),
  },
  {
    kind: 'compound of the figure left out',
    plant: retyped((line, job) => {
      const torque = job.typed.find((other) => hasOnThread(other) && sharesPart(line)(other));
      return torque && line.index < torque.index && does('start-by-hand', 'connect')(line)
        ? withoutSign('+')(line)
        : undefined;
    }),
  },
  {
    kind: 'another compound than the figure is for',
    plant: retyped((line, job) => {
      const torque = job.typed.find((other) => hasOnThread(other) && sharesPart(line)(other));
      const text = sign(line, '+');
      return torque && text && line.index < torque.index && refits(line)
        ? line.line.replace(text, ' +thread-locker, threads')
        : undefined;
    }),
  },
  { kind: 'torque ten times too much', plant: retyped((line) => line.line.replace(figure, '=$10 N·m')) },
  {
    kind: 'torque a tenth',
    plant: retyped((line) => line.line.replace(figure, (_text, value: string) => `=${Number(value) / 10} N·m`)),
  },
  { kind: 'foot pounds for newton metres', plant: retyped((line) => line.line.replace(figure, '=$1 lbf·ft')) },
  { kind: 'inch pounds for newton metres', plant: retyped((line) => line.line.replace(figure, '=$1 lbf·in')) },
  { kind: 'figure left out', plant: retyped((line) => (does('torque')(line) ? withoutSign('=')(line) : undefined)) },
  {
    kind: 'torque wrench left out',
    plant: retyped((line) =>
      does('torque')(line) ? line.line.replace(/ \/torque[^/@+>!=~?]*(?=\s[/@+>!=~?]|$)/, '') : undefined,
    ),
  },
  {
    kind: 'a torque wrench of the wrong range',
    plant: retyped((line) =>
      does('torque')(line)
        ? line.line.replace(/\/torque (wrench|screwdriver), [\d-]+ N·m/, '/torque wrench, 200-600 N·m')
        : undefined,
    ),
  },
  {
    kind: 'loosened with a torque wrench',
    plant: retyped((line, job) =>
      line.parts.some((name) => job.typed.some((other) => does('torque')(other) && other.parts.includes(name))) &&
      (takes(line) || does('loosen')(line))
        ? `${line.line} /torque wrench, 10-60 N·m`
        : undefined,
    ),
  },
  {
    kind: 'an impact wrench to put together',
    plant: retyped((line) => (does('start-by-hand', 'torque')(line) ? `${line.line} /impact wrench` : undefined)),
  },
  {
    kind: 'another key on the way back',
    plant: retyped((line, job) => {
      const down = job.typed.find(
        (other) =>
          (takes(other) || does('loosen')(other)) &&
          sharesPart(line)(other) &&
          /\/(socket|hex key|spanner), \d+ mm/.test(other.line),
      );
      const [, tool = '', size = ''] = /\/(socket|hex key|spanner), (\d+) mm/.exec(down?.line ?? '') ?? [];
      return down && does('torque')(line) ? `${line.line} /${tool}, ${Number(size) + 2} mm` : undefined;
    }),
  },
  {
    kind: 'word about the weight left out',
    plant: retyped((line, job) =>
      line.parts.some((name) => (partNamed(job, name)?.massKg ?? 0) >= 16) && (takes(line) || refits(line))
        ? withoutSign('!')(line)?.replace(/ \/(eye bolt|cradle)[^/@+>!=~?]*(?=\s[/@+>!=~?]|$)/, '')
        : undefined,
    ),
  },
  {
    kind: 'something brittle pried',
    plant: retyped((line, job) =>
      takes(line) && line.parts.some((name) => partNamed(job, name)?.brittle)
        ? line.line.replace(/^draw/, 'pry')
        : undefined,
    ),
  },
  {
    kind: 'isolated at the controller only',
    plant: retyped((line) =>
      does('isolate', 'lock-out')(line) && !/air/.test(line.line)
        ? 'isolate the drive at the stop button of the controller'
        : undefined,
    ),
  },
  {
    kind: 'soaked too short',
    plant: retyped((line) => (does('soak')(line) ? line.line.replace(/~\d+/, '~3') : undefined)),
  },
  {
    kind: 'a wait until the compound has set',
    plant: (job) =>
      job.typed
        .filter(
          (line) =>
            does('start-by-hand')(line) &&
            line.step.applications.some(
              ({ consumableId }) => job.workbook.series.consumables.find(({ id }) => id === consumableId)?.openMinutes,
            ),
        )
        .flatMap((line) =>
          rewritten(
            job,
            job.job.lines.toSpliced(line.index + 1, 0, { key: 'wait', line: 'wait for the gauge ~45' }),
            line,
          ),
        ),
  },
  {
    kind: 'two compounds on one thread',
    plant: retyped((line) =>
      does('start-by-hand')(line) && /\+/.test(line.line) ? `${line.line} +thread-locker, threads` : undefined,
    ),
  },
  {
    kind: 'the other side named',
    plant: (job) =>
      job.typed
        .filter(
          (line) => (refits(line) || takes(line)) && line.step.positionIds.length === 1 && !line.step.fromPositionId,
        )
        .flatMap((line) => {
          const other = job.job.positionSets
            .find(({ positions }) => positions.some(({ id }) => id === line.step.positionIds[0]))
            ?.positions.find(({ id }) => id !== line.step.positionIds[0]);
          const place = / @[^/+>!=~?]+/.exec(line.line)?.[0];
          return other && place
            ? retyped((candidate) =>
                candidate === line ? line.line.replace(place, ` @${other.name} `).trim() : undefined,
              )(job)
            : [];
        }),
  },
];

export const TYPING_MISTAKES: readonly Mistake[] = [...LEFT_OUT, ...MISPLACED, ...EARLY_AND_LATE, ...MISTYPED];
