// What was sent and not yet acknowledged is kept in the browser, so that a reload or a crash loses none of it.
const PREFIX = 'cubo-edits';
const WEEK = 7 * 24 * 3600 * 1000;
const ALIVE = 5000;

const store = (kind) => {
  try {
    return window[kind];
  } catch {
    return null;
  }
};
const read = (where, key) => {
  try {
    return JSON.parse(store(where)?.getItem(key) ?? 'null');
  } catch {
    return null;
  }
};
const write = (where, key, value) => {
  try {
    if (value === null) store(where)?.removeItem(key);
    else store(where)?.setItem(key, JSON.stringify(value));
  } catch {
    /* full or forbidden: then this window alone knows */
  }
};

/** A name for this window, and a sign of life in the browser while it is open, so that no other window takes its edits. */
export function openLine(recipe) {
  const bytes = crypto.getRandomValues(new Uint8Array(10));
  const line = [...bytes]
    .map((b) => b.toString(36).padStart(2, '0'))
    .join('')
    .slice(0, 20);
  const own = (read('sessionStorage', `${PREFIX}-lines/${recipe}`) ?? []).slice(-18);
  const remember = () => write('sessionStorage', `${PREFIX}-lines/${recipe}`, [...own, line]);
  remember();
  const alive = () => write('localStorage', `${PREFIX}-alive/${line}`, Date.now());
  alive();
  setInterval(alive, 1500);
  addEventListener('pagehide', () => write('localStorage', `${PREFIX}-alive/${line}`, null));
  addEventListener('pageshow', alive);
  return {
    line,
    own,
    mine(other) {
      if (!own.includes(other)) {
        own.push(other);
        remember();
      }
    },
  };
}

export function keep(recipe, line, items) {
  write('localStorage', `${PREFIX}/${recipe}/${line}`, items.length ? { at: Date.now(), items } : null);
}

/** Edits that windows which are closed by now have left behind: [line, items] each. */
export function leftBehind(recipe, line) {
  const out = [];
  const all = store('localStorage');
  const keys = [];
  try {
    for (let i = 0; i < all.length; i++) keys.push(all.key(i));
  } catch {
    return out;
  }
  for (const key of keys) {
    const [prefix, of, other] = key.split('/');
    if (prefix === `${PREFIX}-alive` && Date.now() - (read('localStorage', key) ?? 0) > WEEK) write('localStorage', key, null);
    if (prefix !== PREFIX) continue;
    const kept = read('localStorage', key);
    if (!kept?.items || Date.now() - kept.at > WEEK) {
      write('localStorage', key, null);
      continue;
    }
    if (of !== String(recipe) || other === line || Date.now() - (read('localStorage', `${PREFIX}-alive/${other}`) ?? 0) < ALIVE) continue;
    write('localStorage', key, null);
    out.push([other, kept.items]);
  }
  return out;
}
