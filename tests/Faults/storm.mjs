// Typed storms through the script that the pages use: requests that are held back, lost on the way there, lost on the way
// back, sent twice or come late once more. 20 seeds of 20 edits; not one value may be lost, and nobody speaks of another
// window. Argument: the address of a running Cubo with the demo school.
const BASE = process.argv[2];
const SEEDS = Number(process.env.STORMS ?? 20);
const EDITS = 20;

const shelf = () => {
  const m = new Map();
  return {
    getItem: (k) => m.get(k) ?? null,
    setItem: (k, v) => m.set(k, v),
    removeItem: (k) => m.delete(k),
    key: (i) => [...m.keys()][i] ?? null,
    get length() {
      return m.size;
    },
  };
};
globalThis.window = { localStorage: shelf(), sessionStorage: shelf() };
globalThis.addEventListener = () => {};
const { Ledger } = await import('../../resources/js/edits/ledger.js');

const sleep = (ms) =>
  new Promise((done) => {
    setTimeout(done, ms);
  });
function dice(seed) {
  let s = seed;
  return () => {
    s = (s * 1103515245 + 12345) % 2147483648;
    return s / 2147483648;
  };
}

/** Somebody signed in, with cookies of their own. */
async function signedIn(own) {
  const jar = new Map();
  const ask = async (path, options = {}) => {
    const answer = await fetch(path.startsWith('http') ? path : BASE + path, {
      redirect: 'manual',
      ...options,
      headers: { ...options.headers, Cookie: [...jar].map(([k, v]) => `${k}=${v}`).join('; ') },
    });
    for (const c of answer.headers.getSetCookie()) {
      const [pair] = c.split(';');
      jar.set(pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1));
    }
    return answer;
  };
  const token = /name="csrf-token" content="([^"]+)"/.exec(await (await ask('/sign-in')).text())[1];
  await ask('/sign-in/student', { method: 'POST', body: new URLSearchParams({ _token: token, class: 'LARK7', own, pin: '4711' }) });
  return ask;
}

const encode = (body) => {
  const out = new URLSearchParams();
  const add = (key, v) => {
    if (v !== null && typeof v === 'object') for (const [k, x] of Object.entries(v)) add(key ? `${key}[${k}]` : k, x);
    else if (v !== undefined) out.append(key, v);
  };
  add('', body);
  return out;
};

let lost = 0;
let sent = 0;
let wrong = 0;
async function storm(seed, own) {
  const random = dice(seed * 7919);
  const ask = await signedIn(own);
  const home = await (await ask('/')).text();
  const bench = /\/bench\/\d+(?=")/.exec(home)[0];
  const page = await (await ask(bench)).text();
  const [, door] = /data-door="([^"]+)"/.exec(page);
  const [, recipe] = /data-recipe="(\d+)"/.exec(page);
  const token = /name="csrf-token" content="([^"]+)"/.exec(page)[1];
  const headers = { 'X-CSRF-TOKEN': token, 'HX-Request': 'true', Accept: 'application/json' };
  const bodies = [];
  const ledger = new Ledger({
    recipe: `${recipe}`,
    version: Number(/id="state"[^>]*data-version="(\d+)"/.exec(page)[1]),
    send: async (item, { version, own: lines }) => {
      const body = encode({ ...item.body, line: item.line, number: item.number, version, own: lines, brief: 2 });
      const go = () => {
        sent += 1;
        return ask(door, { method: 'POST', headers, body });
      };
      bodies.push(body);
      const r = random();
      if (r < 0.12) throw new Error('lost on the way there');
      if (r < 0.26) {
        await go();
        throw new Error('lost on the way back');
      }
      if (r < 0.34) {
        await go();
        return new Response('', { status: 502 });
      }
      if (r < 0.46) {
        const [, second] = await Promise.all([go(), sleep(random() * 30).then(go)]);
        return second;
      }
      if (r < 0.56) {
        ask(door, { method: 'POST', headers, body: bodies[Math.floor(random() * bodies.length)] });
        return go();
      }
      await sleep(400 * random());
      return go();
    },
    arrived: (line) => (random() < 0.2 ? Promise.reject(new Error('lost')) : ask(`/recipes/${recipe}/arrived?line=${line}`, { headers })),
    fresh: async () => {
      const answer = await ask(`/recipes/${recipe}/now`, { headers });
      return Number(/id="state"[^>]*data-version="(\d+)"/.exec(await answer.text())?.[1] ?? 0);
    },
    answered: async (answer) => {
      const data = await answer.json();
      return { version: data.outcome === 'kept' || data.outcome === 'same' ? data.version : null, data, shown: true };
    },
    tell: () => {},
    held: (items, why) => {
      wrong += 1;
      console.error(`seed ${seed}: ${why} ${JSON.stringify(items.map((i) => i.body))}`);
    },
  });
  await ledger.push({ do: 'add', kind: 'block' });
  const step = [
    ...(await (await ask(`/recipes/${recipe}/now`, { headers })).text()).matchAll(/<li class="step[^>]*data-step="([a-z0-9]+)"/g),
  ].at(-1)[1];
  const last = {};
  const waits = [];
  for (let k = 0; k < EDITS; k++) {
    const key = ['width', 'depth', 'height', 'x', 'y'][Math.floor(5 * random())];
    last[key] = String(10 + k);
    waits.push(ledger.push({ do: 'set', step, values: { [key]: last[key] } }, { field: `${step}-${key}`, text: last[key] }));
    await sleep(120 * random());
  }
  while (ledger.items.length) await sleep(50);
  const html = await (await ask(`/recipes/${recipe}/now`, { headers })).text();
  for (const [key, text] of Object.entries(last)) {
    const has = new RegExp(`id="${step}-${key}"[^>]*value="([^"]*)"`).exec(html)?.[1];
    if (has !== text) {
      lost += 1;
      console.error(`seed ${seed}: ${key} is ${has}, typed was ${text}`);
    }
  }
}

const pupils = ['ADA22', 'BRU22', 'CLE22', 'DAR22', 'EDD22', 'FIN22', 'GRE22', 'HUG22', 'ILS22', 'JON22'];
const queue = Array.from({ length: SEEDS }, (_, i) => i + 1);
await Promise.all(
  pupils.map(async (own) => {
    while (queue.length) await storm(queue.shift(), own);
  }),
);
console.log(`${SEEDS * EDITS} edits of ${SEEDS} seeds, ${sent} sendings: ${lost} values lost, ${wrong} refused`);
process.exit(lost || wrong ? 1 : 0);
