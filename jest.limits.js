import { addEventHandler } from 'jest-circus';

const USUAL_MS = 60_000;

/** Of its own the runner waits for a test for ever: each has its time, as it is written behind it. */
addEventHandler((event, { currentDescribeBlock: { children, hooks } }) => {
  const added = event.name === 'add_test' ? children.at(-1) : event.name === 'add_hook' ? hooks.at(-1) : undefined;
  if (added?.fn) added.fn = limited(added.fn, added.timeout ?? USUAL_MS);
});

function limited(fn, ms) {
  return async () => {
    let timer;
    const late = new Promise((_, reject) => {
      timer = setTimeout(() => reject(new Error(`not done after ${ms / 1000} s`)), ms);
    });
    try {
      await Promise.race([fn(), late]);
    } finally {
      clearTimeout(timer);
    }
  };
}
