// What part of the sketch's plane is seen: from millimetres to places on the paper and back.
export class View {
  constructor(svg) {
    this.svg = svg;
    this.k = 5;
    this.x = 0;
    this.y = 0;
  }
  get size() {
    const r = this.svg.getBoundingClientRect();
    return [r.width, r.height];
  }
  to([u, v]) {
    return [this.x + this.k * u, this.y - this.k * v];
  }
  from([x, y]) {
    return [(x - this.x) / this.k, (this.y - y) / this.k];
  }
  at(e) {
    const r = this.svg.getBoundingClientRect();
    return [e.clientX - r.left, e.clientY - r.top];
  }
  get matrix() {
    return `matrix(${this.k} 0 0 ${-this.k} ${this.x} ${this.y})`;
  }
  fit(drawing, pitch, behind = '') {
    const [w, h] = this.size;
    let [u0, v0, u1, v1] = [-2 * pitch, -2 * pitch, 2 * pitch, 2 * pitch];
    const take = (u, v) => {
      u0 = Math.min(u0, u);
      u1 = Math.max(u1, u);
      v0 = Math.min(v0, v);
      v1 = Math.max(v1, v);
    };
    drawing.points.forEach((p) => take(p.u, p.v));
    const edges = (behind.match(/-?[\d.]+(?:e-?\d+)?/g) ?? []).map(Number);
    for (let i = 0; i + 1 < edges.length; i += 2) take(edges[i], edges[i + 1]);
    drawing.lines.forEach((l) => {
      const m = drawing.points.find((p) => p.id === l.points[0]) ?? { u: 0, v: 0 };
      if (l.size && l.kind !== 'line') {
        take(m.u - l.size, m.v - l.size);
        take(m.u + l.size, m.v + l.size);
      }
    });
    this.k = Math.max(0.05, Math.min(60, (w - 190) / (u1 - u0), (h - 170) / (v1 - v0)));
    this.x = w / 2 - (this.k * (u0 + u1)) / 2;
    this.y = h / 2 + (this.k * (v0 + v1)) / 2;
  }
  zoom(factor, [x, y]) {
    const k = Math.max(0.05, Math.min(400, this.k * factor));
    this.x = x - ((x - this.x) * k) / this.k;
    this.y = y - ((y - this.y) * k) / this.k;
    this.k = k;
  }
}
