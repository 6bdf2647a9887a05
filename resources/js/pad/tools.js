// What the pad's tools need: how many places are shown, what is asked for each, and in which ways one thing can be drawn.
export const TOOLS = {
  point: { asks: ['Set the point.'] },
  line: { asks: ['Where does the line begin?', 'Where does it end? Type its length, or Esc ends the chain.'], number: true },
  rectangle: { form: 'corner to corner', asks: ['First corner.', 'Opposite corner, or type the width.'], number: true },
  'rectangle around': { of: 'rectangle', form: 'around its middle', asks: ['Its middle.', 'A corner, or type the width.'], number: true },
  circle: { form: 'middle and rim', asks: ['Its middle.', 'A point of its rim, or type the radius.'], number: true },
  'circle over': { of: 'circle', form: 'over a diameter', asks: ['One end of the diameter.', 'The other end.'] },
  'circle through three': { of: 'circle', form: 'through three points', asks: ['First point.', 'Second point.', 'Third point.'] },
  'circle touching': {
    of: 'circle',
    form: 'touching two things',
    picks: 2,
    asks: ['Click the first line or circle it touches.', 'Click the second one.'],
    line: ([a, b]) => ['circle radius ', '5', ` touching ${a} ${b}`],
  },
  arc: { form: 'through a third point', asks: ['Where does the arc begin?', 'Where does it end?', 'A point it runs through.'] },
  'arc around': { of: 'arc', form: 'around a middle', asks: ['Its middle.', 'Where does it begin?', 'Where does it end, turning left?'] },
  'arc on': { of: 'arc', form: 'on from an end', asks: ['The end of a line or arc it runs on from.', 'Where does it end?'] },
  slot: { form: 'from middle to middle', asks: ['First middle.', 'Second middle.', 'How wide?'] },
  'slot over all': { of: 'slot', form: 'from end to end', asks: ['One end of the slot.', 'Its other end.', 'How wide?'] },
  polygon: { asks: ['Its middle.', 'A corner. Keys 3 to 9 change the count of sides.'] },
  ellipse: { asks: ['Its middle.', 'End of one axis.', 'How wide across?'] },
  curve: { asks: ['First point.', 'Next point. Enter ends the curve.'], endless: true },
  text: { asks: ['Where does the text begin?'], line: ([p]) => ['text "', 'NEST 4', `" 8 at ${p}`] },
  guide: { asks: ['A point the guide line runs through.'], line: ([p]) => ['guide ', '30', ` through ${p}`] },
  trim: { asks: ['Click the piece that goes.'], clicks: true },
  extend: { asks: ['Click near the end that goes on.'], clicks: true },
  split: { asks: ['Click where it is divided.'], clicks: true },
  take: { form: 'one edge', asks: ['Click an edge of the part. The line follows it when the part changes.'], takes: 'edge' },
  'take face': { of: 'take', form: 'all edges of a face', asks: ['Click an edge: all edges of its face are taken over.'], takes: 'face' },
};

export const needs = (t) => (TOOLS[t].endless ? Infinity : TOOLS[t].asks.length);

// the ways to draw what a tool draws, itself among them
export const forms = (t) => {
  const first = TOOLS[t].of ?? t;
  return Object.keys(TOOLS).filter((x) => (x === first || TOOLS[x].of === first) && TOOLS[x].form);
};
