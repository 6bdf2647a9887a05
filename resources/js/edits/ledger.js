// The edits of one window: numbered, sent one after the other, each until the server has said what became of it. Knows
// nothing of what an edit means; the page says how one is sent and shows the answers.
import { keep, leftBehind, openLine } from './keep.js';

const WAITS = [700, 1500, 3000, 6000, 12000];
const PATIENCE = 25000;
const MOST_TRIES = 3;
const sleep = (ms) =>
  new Promise((done) => {
    setTimeout(done, ms);
  });

export class Ledger {
  /**
   * @param recipe its id; version: the one the page shows
   * @param send (item, { version, own, more }, signal) => Response
   * @param arrived (line) => Response that says how far a line has come
   * @param fresh () => asks for the newest state and shows it; resolves to its version
   * @param answered (response, item, outcome) => shows an answer; resolves to the version, or null where there is none
   * @param tell (state) => how things stand: { open, trouble, words }
   * @param held (items, why, words) => edits that were not taken
   */
  constructor({ recipe, version, send, arrived, fresh, answered, tell, held }) {
    Object.assign(this, { recipe, version, send, arrived, fresh, answered, tell, held });
    Object.assign(this, openLine(recipe));
    this.number = 0;
    this.items = [];
    this.running = false;
    this.trouble = '';
    for (const [line, items] of leftBehind(recipe, this.line)) {
      this.mine(line);
      this.items.push(...items.map((i) => ({ ...i, line, tries: 0, done: [] })));
    }
    if (this.items.length) {
      this.found = this.items.length;
      queueMicrotask(() => this.run());
    }
    addEventListener('online', () => this.wake?.());
  }

  /** Puts an edit in line; resolves to what became of it: { outcome, words, data }. What is not sent yet for the same field is replaced. */
  push(body, about = {}) {
    return new Promise((done) => {
      const last = this.items[this.items.length - 1];
      if (last && !last.sent && about.field && last.field === about.field && last.body.do === body.do)
        Object.assign(last, { body, text: about.text });
      else this.items.push({ line: this.line, number: (this.number += 1), body, ...about, tries: 0, done: [] });
      this.items[this.items.length - 1].done.push(done);
      this.save();
      this.run();
    });
  }

  /** Does something when everything before it is acknowledged; what is pushed meanwhile waits for it. */
  async then(act) {
    const wait = this.turn ?? Promise.resolve();
    let free;
    this.turn = new Promise((done) => {
      free = done;
    });
    await wait;
    while (this.items.length) await (this.idle ?? sleep(50));
    this.blocked = true;
    try {
      return await act();
    } finally {
      this.blocked = false;
      free();
      this.run();
    }
  }

  /** Whether a newer text of a field is still on its way. */
  pending(field) {
    return this.items.some((i) => i.field === field);
  }

  save() {
    const lines = new Map([[this.line, []]]);
    for (const { line, number, body, field, text, label } of this.items) {
      if (!lines.has(line)) lines.set(line, []);
      lines.get(line).push({ number, body, field, text, label });
    }
    // what another window left is kept with this window's own until it is through
    for (const [line, items] of lines) keep(this.recipe, line, items);
    this.tell({ open: this.items.length, trouble: this.trouble });
  }

  async run() {
    if (this.running || this.blocked) return;
    this.running = true;
    let rest;
    this.idle = new Promise((done) => {
      rest = done;
    });
    let seen = true;
    while (this.items.length && !this.stopped) {
      const item = this.items[0];
      item.sent = true;
      seen = await this.one(item);
    }
    this.running = false;
    rest();
    this.idle = null;
    this.tell({ open: this.items.length, trouble: this.trouble });
    // the last answers came by another way than the page
    if (!seen && !this.items.length) await this.look();
  }

  /** Sends one edit until it is through; says whether the page shows what came of it. */
  async one(item) {
    let answer = null;
    const patience = new AbortController();
    const timer = setTimeout(() => patience.abort(), PATIENCE);
    try {
      answer = await this.send(item, { version: this.version, own: this.own, more: this.items.length > 1 }, patience.signal);
      const status = answer.status;
      if (status === 401 || status === 419) {
        this.stop('You were signed out meanwhile. Sign in again: what you did since is kept in this browser and is sent then.', true);
        return true;
      }
      if (status === 429) {
        this.say('That was quicker than the server allows. It is sent again in a moment.');
        await sleep(3000);
        return true;
      }
      if (status === 404 || status === 403) {
        this.stop('This part is not here any more, or not yours.', true);
        return true;
      }
      if (status === 422 && !answer.headers.get('Cubo-Edit')) {
        await this.leave(item, 'refused', 'That was more than a field can hold. It stays here; make it shorter.');
        return true;
      }
      if (status < 500) {
        const outcome = answer.headers.get('Cubo-Edit') ?? 'kept';
        if (outcome === 'early') {
          await this.renumber(item.line);
          return false;
        }
        const { version, data, shown } = await this.answered(answer, item, outcome);
        this.say('');
        this.settle(item, outcome, data);
        if (version !== null && version !== undefined) this.version = version;
        if (outcome === 'elsewhere') this.conflict(item);
        // what stands in the page stays until a person wants to see the newest
        return shown || outcome === 'elsewhere';
      }
      item.failed = (item.failed ?? 0) + 1;
    } catch {
      /* no answer: the server may have done it or not */
    } finally {
      clearTimeout(timer);
    }
    return this.recover(item);
  }

  /** No answer came. What arrived is asked; what did not is sent again. */
  async recover(item) {
    for (let k = 0; !this.stopped; k++) {
      this.say(
        item.failed
          ? 'The server did not answer as it should. Cubo asks what arrived and sends the rest again.'
          : 'No answer from the server. Cubo asks what arrived and sends the rest again by itself; you can go on.',
      );
      await Promise.race([
        sleep(WAITS[Math.min(k, WAITS.length - 1)]),
        new Promise((done) => {
          this.wake = done;
        }),
      ]);
      let got;
      try {
        const answer = await this.arrived(item.line);
        if (answer.status === 401 || answer.status === 419) {
          this.stop('You were signed out meanwhile. Sign in again: what you did since is kept in this browser and is sent then.', true);
          return true;
        }
        if (!answer.ok) continue;
        got = await answer.json();
      } catch {
        continue;
      }
      const known = got.outcomes[item.number];
      if (known || got.last >= item.number) {
        this.version = (await this.look()) ?? got.version;
        this.settle(item, known?.outcome ?? 'same', { words: known?.words ?? '' });
        if (known?.outcome === 'refused') this.held([item], 'refused', known.words);
        this.say('');
        return true;
      }
      if ((item.failed ?? 0) >= MOST_TRIES) {
        await this.leave(item, 'failed', 'The server did not manage this three times.');
        return false;
      }
      return false;
    }
    return true;
  }

  /** Gives an edit up; its number is sent without it, so that those behind it can go on. */
  async leave(item, why, words) {
    if (item.body.do !== 'leave') this.held([{ ...item }], why, words);
    item.done.splice(0).forEach((done) => done({ outcome: why, words }));
    Object.assign(item, { body: { do: 'leave' }, field: undefined, failed: 0 });
    this.save();
  }

  async renumber(line) {
    try {
      const answer = await this.arrived(line);
      if (!answer.ok) {
        await sleep(1000);
        return;
      }
      let { last } = await answer.json();
      for (const i of this.items) if (i.line === line) i.number = last += 1;
      if (line === this.line) this.number = last;
      this.save();
    } catch {
      await sleep(1000);
    }
  }

  settle(item, outcome, data) {
    this.items = this.items.filter((i) => i !== item);
    if (item.line !== this.line && !this.items.some((i) => i.line === item.line)) keep(this.recipe, item.line, []);
    this.save();
    item.done.forEach((done) => done({ outcome, words: data?.words ?? '', data }));
    if (outcome === 'refused' && data?.words !== undefined) this.held([item], 'refused', data.words);
  }

  /** Another window changed the part: nothing more is sent until a person has seen that. */
  conflict(item) {
    const rest = [item, ...this.items];
    this.items = [];
    // their numbers were never used
    if (rest.some((i) => i !== item && i.line === this.line))
      this.number = Math.min(...rest.filter((i) => i !== item && i.line === this.line).map((i) => i.number)) - 1;
    rest.slice(1).forEach((i) => i.done.forEach((done) => done({ outcome: 'elsewhere', words: '' })));
    this.save();
    this.held(rest, 'elsewhere', '');
  }

  async look() {
    try {
      const version = await this.fresh();
      if (version) this.version = version;
      return version;
    } catch {
      return null;
    }
  }

  say(trouble) {
    if (this.trouble !== trouble) {
      this.trouble = trouble;
      this.tell({ open: this.items.length, trouble });
    }
  }

  stop(words, kept) {
    this.stopped = true;
    this.trouble = words;
    this.tell({ open: this.items.length, trouble: words, kept });
  }
}

/** A link of the page is followed when all is acknowledged; where that does not come, after a while all the same: it is kept in the browser. */
export function leavesWhenSaved(ledger) {
  document.addEventListener('click', (e) => {
    const a = e.target.closest?.('a[href]');
    if (
      !a ||
      !ledger.items.length ||
      e.defaultPrevented ||
      e.button !== 0 ||
      e.ctrlKey ||
      e.metaKey ||
      e.shiftKey ||
      a.target ||
      a.hasAttribute('download') ||
      new URL(a.href).origin !== location.origin ||
      a.getAttribute('href').startsWith('#')
    )
      return;
    e.preventDefault();
    Promise.race([ledger.then(() => {}), sleep(6000)]).then(() => {
      location.href = a.href;
    });
  });
}
