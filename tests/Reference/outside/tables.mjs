// What general-purpose libraries read in files of tables and days: papaparse, read-excel-file, ical.js; and what one writes.
import { readFileSync, writeFileSync } from 'node:fs';

const [what, path] = process.argv.slice(2);
const bytes = what === 'write' ? null : readFileSync(path);
const out = {
  csv: async () => (await import('papaparse')).default.parse(bytes.toString('utf8').replace(/^\uFEFF/, ''), { skipEmptyLines: true }).data,
  xlsx: async () => {
    const { default: read } = await import('read-excel-file/node');
    const sheets = await read(path);
    const rows = Array.isArray(sheets[0]?.data) ? sheets[0].data : sheets;
    return rows.map((r) => r.map((c) => (c instanceof Date ? { day: c.toISOString() } : c)));
  },
  ics: async () => {
    const { default: ICAL } = await import('ical.js');
    const all = new ICAL.Component(ICAL.parse(bytes.toString('utf8')));
    return all.getAllSubcomponents('vevent').map((c) => {
      const e = new ICAL.Event(c);
      return {
        uid: e.uid,
        title: e.summary,
        about: e.description,
        from: e.startDate.toString(),
        to: e.endDate.toString(),
        day: e.startDate.isDate,
      };
    });
  },
  write: async () => {
    const { default: write } = await import('write-excel-file/node');
    const rows = JSON.parse(readFileSync(0, 'utf8'));
    const made = await write(
      rows.map((r) => r.map((value) => ({ value }))),
      { buffer: true },
    );
    const buffer = Buffer.isBuffer(made) ? made : await made.toBuffer();
    writeFileSync(path, buffer);
    return true;
  },
}[what];
process.stdout.write(JSON.stringify(await out()));
