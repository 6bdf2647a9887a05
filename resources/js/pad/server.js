// What the pad asks the server: edits, one after the other and each once, and questions while something is dragged.
import { Ledger } from '../edits/ledger.js';

export class Server {
  constructor({ post, now, arrived, recipe, token }, { state, shown, said, leave }) {
    Object.assign(this, { post, token, state, shown, said, leave });
    this.pulling = 0;
    const json = { Accept: 'application/json', 'X-CSRF-TOKEN': token };
    const take = (got, clash = []) => {
      if (got.gone) {
        this.leave();
        return null;
      }
      if (!got.drawing) return null;
      this.state = got;
      this.shown(clash);
      return got.version;
    };
    this.ledger = new Ledger({
      recipe,
      version: state.version,
      send: (item, { version, own }, signal) => this.ask({ ...item.body, line: item.line, number: item.number, version, own }, signal),
      arrived: (line) => fetch(`${arrived}?line=${line}`, { credentials: 'same-origin', cache: 'no-store', headers: json }),
      fresh: async () => {
        const answer = await fetch(now, { credentials: 'same-origin', cache: 'no-store', headers: json });
        return answer.ok ? take(await answer.json()) : null;
      },
      answered: async (answer, item, outcome) => {
        const got = await answer.json();
        // refused or changed elsewhere, the newest sketch comes along
        return {
          version: take(got, got.clash ?? []),
          data: { words: undefined, ok: outcome === 'kept' || outcome === 'same' },
          shown: true,
        };
      },
      tell: ({ open, trouble }) => {
        const saved = document.getElementById('saved');
        if (saved) {
          saved.textContent = trouble ? `${open} not sent yet` : open ? 'saving …' : 'all';
          saved.closest('[data-saved]').dataset.saved = trouble ? 'waits' : open ? 'asks' : 'all';
        }
        if (trouble) this.said(trouble);
        else if (this.told) this.said('');
        this.told = Boolean(trouble);
      },
      held: (items, why, words) => {
        if (why === 'failed' || words) this.said(words || 'That was not kept. Do it once more.');
      },
    });
  }

  ask(body, signal) {
    return fetch(this.post, {
      method: 'POST',
      credentials: 'same-origin',
      signal,
      headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': this.token },
      body: JSON.stringify(body),
    });
  }

  /** An edit; resolves to whether the sketch has it. What is no edit (squares) is only asked. */
  async send(body) {
    if (body.do === 'squares') {
      try {
        const r = await this.ask(body);
        const got = await r.json();
        if (!got?.drawing) {
          this.said('That could not be done.');
          return false;
        }
        this.state = got;
        this.shown([]);
        return r.ok;
      } catch {
        this.said('The server could not be reached. Do that once more.');
        return false;
      }
    }
    const got = await this.ledger.push(body);
    return got.outcome === 'kept' || got.outcome === 'same';
  }

  // what is dragged: two questions are under way at a time, always with the newest place; an answer that is overtaken is
  // not shown
  async pull(drag, current, paint) {
    if (!drag?.point || !drag.to || this.pulling >= 2) return;
    this.pulling++;
    drag.asked ??= 0;
    while (current() === drag && drag.to) {
      const [u, v] = drag.to;
      const number = ++drag.asked;
      drag.to = null;
      try {
        const r = await this.ask({ do: 'drag', keep: false, point: drag.point, u, v });
        const got = r.ok ? await r.json() : null;
        if (got?.drawing && current() === drag && number > (drag.shown ?? 0)) {
          drag.shown = number;
          paint(got.drawing);
        }
      } catch {
        break;
      }
    }
    this.pulling--;
  }
}
