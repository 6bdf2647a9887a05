// Edits go to the server one after the other, each with the version the one before it left behind.
export class Server {
  constructor({ post, token }, { state, shown, said, leave }) {
    Object.assign(this, { post, token, state, shown, said, leave });
    this.busy = Promise.resolve();
    this.pulling = 0;
  }

  ask(body) {
    return fetch(this.post, { method: 'POST', headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': this.token }, body: JSON.stringify(body) });
  }

  send(body) {
    this.busy = this.busy.then(async () => {
      let r;
      try { r = await this.ask({ ...body, version: this.state.version }); } catch { this.said('The server could not be reached. Nothing is lost; do that once more.'); return false; }
      if (r.status === 419) { this.said('You were signed out meanwhile. Reload the page and sign in again; every line up to here is saved.'); return false; }
      if (r.status === 429) { this.said('That was quicker than the server allows. Wait a moment.'); return false; }
      if (r.status >= 500) { this.said('The server did not manage this. Nothing is lost; undo the last line or try another way.'); return false; }
      const got = await r.json().catch(() => null);
      if (got?.gone) { this.leave(); return false; }
      if (!got?.drawing) { this.said('That could not be done.'); return false; }
      this.state = got;
      this.shown(got.clash ?? []);
      return r.ok;
    });
    return this.busy;
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
        if (got?.drawing && current() === drag && number > (drag.shown ?? 0)) { drag.shown = number; paint(got.drawing); }
      } catch { break; }
    }
    this.pulling--;
  }
}
