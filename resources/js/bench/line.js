// Edits of one bench wait in line, however they are sent: each goes out with the version the one before it left behind.
let tail = Promise.resolve();

/** Does something when everything before it in the line is done. */
export function inLine(act) {
  const mine = tail.then(act);
  tail = mine.catch(() => {});
  return mine;
}

/** Lets an htmx request that carries a version wait in line until the answer of the one before it stands in the page. */
export function queue(ctx, version) {
  const body = ctx?.request?.body;
  if (!body?.has?.('version')) return;
  const send = ctx.fetch;
  ctx.fetch = (action, request) => new Promise((answer, failed) => {
    inLine(async () => {
      body.set('version', version());
      try { answer(await send(action, request)); } catch (error) { failed(error); return; }
      await over(ctx);
    });
  });
}

// the answer is swapped in, or was none; nobody waits for ever
function over(ctx) {
  return new Promise((done) => {
    const kinds = ['htmx:after:swap', 'htmx:finally:request'];
    const end = (e) => { if (!e || e.detail?.ctx === ctx) { kinds.forEach((k) => document.removeEventListener(k, end)); done(); } };
    kinds.forEach((k) => document.addEventListener(k, end));
    setTimeout(end, 4000);
  });
}
