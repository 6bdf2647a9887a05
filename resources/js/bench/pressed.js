// Whether a pointer is down. What would move the page waits until it is let go and the click has been heard; not for ever,
// since something may be held for long.
const MOST = 3000;
let down = false;
let waiting = [];

function release() {
  down = false;
  // the click comes after the pointer is up
  setTimeout(() => {
    if (!down) waiting.splice(0).forEach((act) => act());
  }, 0);
}
document.addEventListener(
  'pointerdown',
  () => {
    down = true;
  },
  true,
);
document.addEventListener('pointerup', release, true);
document.addEventListener('pointercancel', release, true);
addEventListener('blur', release);

/** Does something at once, or when nothing is pressed any more. */
export function whenReleased(act) {
  if (!down) {
    act();
    return;
  }
  let done = false;
  const once = () => {
    if (!done) {
      done = true;
      act();
    }
  };
  waiting.push(once);
  setTimeout(once, MOST);
}

export const released = () =>
  new Promise((done) => {
    whenReleased(done);
  });
