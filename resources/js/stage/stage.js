// The stage: the part as a birch block with ink edges on paper, seen from any side. What lies over and under it, tools
// and controls are modules of their own that hang onto `stage`.
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DoubleSide,
  GreaterDepth,
  LinearSRGBColorSpace,
  Mesh,
  MeshBasicMaterial,
  OrthographicCamera,
  Plane,
  Scene,
  Vector3,
  WebGLRenderer,
} from 'three';
import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
import { LineSegments2 } from 'three/examples/jsm/lines/LineSegments2.js';
import { LineSegmentsGeometry } from 'three/examples/jsm/lines/LineSegmentsGeometry.js';
import { mountControls, VIEWS } from './controls.js';
import { mountDoes } from './does.js';
import { loadGlb, readGlb } from './glb.js';
import { drawMarks } from './marks.js';
import { drawPaper } from './paper.js';
import { drawPicks, highlights, learn, trianglesOf } from './picking.js';
import { kept } from './section.js';
import { mountTools } from './tools.js';
import { css, tints, wood } from './wood.js';

const NS = 'http://www.w3.org/2000/svg';
const json = (id) => JSON.parse(document.getElementById(id)?.textContent || 'null');

export function mountStage(host) {
  const small = host.dataset.stage === 'small';
  const state = {
    turn: -45,
    tilt: 35.2644,
    zoom: 1,
    pan: [0, 0],
    centre: new Vector3(),
    radius: 60,
    part: null,
    view: 'isometric',
    low: 0,
    box: null,
    picked: null,
    url: null,
    shownUrl: null,
    tried: 0,
  };
  const under = host.appendChild(document.createElementNS(NS, 'svg'));
  under.setAttribute('aria-hidden', 'true');
  let renderer = null;
  try {
    renderer = new WebGLRenderer({ antialias: true, alpha: true, preserveDrawingBuffer: true });
  } catch {
    host.insertAdjacentHTML(
      'beforeend',
      '<p class="slip">This browser shows no 3D picture. The drawing and the list on the left show the same part.</p>',
    );
    return;
  }
  renderer.outputColorSpace = LinearSRGBColorSpace;
  renderer.localClippingEnabled = true;
  renderer.domElement.setAttribute('role', 'img');
  renderer.domElement.setAttribute('aria-label', host.dataset.alt || 'The part in three dimensions');
  host.appendChild(renderer.domElement);
  const over = host.appendChild(document.createElementNS(NS, 'svg'));
  over.setAttribute('aria-hidden', 'true');
  over.classList.add('over');
  const scene = new Scene();
  const camera = new OrthographicCamera(-1, 1, 1, -1, -1e5, 1e5);
  const linear = (name) => new Color(css(name)).convertLinearToSRGB();
  const ink = new LineMaterial({ color: linear('ink'), linewidth: small ? 1.3 : 2 });
  const material = wood();
  // the ways the part is shown: wood with or without its edges, edges alone with hidden ones dashed, see-through
  const paperSkin = new MeshBasicMaterial({
    color: linear('sheet'),
    side: DoubleSide,
    polygonOffset: true,
    polygonOffsetFactor: 1.5,
    polygonOffsetUnits: 2,
  });
  const dashed = new LineMaterial({
    color: linear('ink2'),
    linewidth: 1.2,
    dashed: true,
    dashSize: 1,
    gapSize: 0.8,
    depthFunc: GreaterDepth,
    depthWrite: false,
  });
  let mesh = null;

  const stage = {
    host,
    state,
    under,
    over,
    scene,
    material,
    canvas: renderer.domElement,
    small,
    onDraw: [],
    onPart: [],
    inks: [],
    hidden: new Set(),
    shownAs: small ? 'wood' : (localStorage.getItem('cubo-shown-as') ?? 'wood'),
    offered: null,
    trying: false,
  };

  stage.frame = () => {
    const a = (state.turn * Math.PI) / 180;
    const b = (state.tilt * Math.PI) / 180;
    const to = new Vector3(Math.cos(b) * Math.cos(a), Math.cos(b) * Math.sin(a), Math.sin(b));
    const right = new Vector3(-Math.sin(a), Math.cos(a), 0);
    return { to, right, up: new Vector3().crossVectors(to, right) };
  };
  // pixels per millimetre
  // an open panel takes room at the left; the part moves over
  stage.inset = 0;
  stage.scale = () =>
    (state.zoom *
      Math.min(
        host.clientWidth - (small ? 20 : stage.inset ? stage.inset + 60 : Math.min(230, host.clientWidth * 0.38)),
        host.clientHeight - (small ? 20 : 170),
      )) /
    (2 * state.radius);
  // model points to places of the stage, with everything that does not change between two points worked out once
  stage.flat = () => {
    const { to, right, up } = stage.frame();
    const s = stage.scale();
    const [cx, cy] = [(host.clientWidth + stage.inset) / 2 + state.pan[0], host.clientHeight / 2 + state.pan[1]];
    const c = state.centre;
    const f = (q) => {
      const [x, y, z] = [q[0] - c.x, q[1] - c.y, q[2] - c.z];
      return [cx + s * (x * right.x + y * right.y + z * right.z), cy - s * (x * up.x + y * up.y + z * up.z)];
    };
    f.scale = s;
    f.key = [cx, cy, s, state.turn, state.tilt, c.x, c.y, c.z].join(' ');
    f.depth = (q) => q[0] * to.x + q[1] * to.y + q[2] * to.z;
    const { cut } = stage;
    if (cut?.on) f.hides = (q) => (q[0] * cut.normal[0] + q[1] * cut.normal[1] + q[2] * cut.normal[2] - cut.at) * cut.side > 1e-6;
    return f;
  };
  stage.project = (q) => stage.flat()(q);
  stage.dir = (v) => {
    const { right, up } = stage.frame();
    return [v[0] * right.x + v[1] * right.y + v[2] * right.z, -(v[0] * up.x + v[1] * up.y + v[2] * up.z)];
  };

  function skin() {
    if (!mesh) return;
    mesh.material = stage.shownAs === 'lines' ? paperSkin : material;
    const glass = stage.shownAs === 'glass';
    material.transparent = glass;
    material.depthWrite = !glass;
    material.uniforms.clear.value = glass ? 0.4 : 1;
    material.needsUpdate = true;
  }
  stage.showAs = (how) => {
    stage.shownAs = how;
    localStorage.setItem('cubo-shown-as', how);
    skin();
    stage.redraw();
  };

  function outlineEdges(to) {
    const r = state.part.round;
    if (!r) return [];
    const out = [];
    for (let i = 0; i < r.position.length; i += 6) {
      const a = r.na[i] * to.x + r.na[i + 1] * to.y + r.na[i + 2] * to.z;
      const b = r.nb[i] * to.x + r.nb[i + 1] * to.y + r.nb[i + 2] * to.z;
      if (a > 1e-6 !== b > 1e-6) for (let k = 0; k < 6; k++) out.push(r.position[i + k]);
    }
    return out;
  }

  // faces that are picked or would be, laid over the wood
  const picks = {
    chosen: new MeshBasicMaterial({ color: linear('violet'), transparent: true, opacity: 0.25, depthWrite: false, side: DoubleSide }),
    offered: new MeshBasicMaterial({ color: linear('ink'), transparent: true, opacity: 0.2, depthWrite: false, side: DoubleSide }),
  };
  const own = new Set();

  // draws into the layer over the part
  const svg = (tag, attributes, parent = over) => {
    const e = parent.appendChild(document.createElementNS(NS, tag));
    for (const [k, v] of Object.entries(attributes)) e.setAttribute(k, v);
    return e;
  };

  // lines and lit faces, made anew for every picture
  function draw3d(W, H, s, to, lit) {
    for (const o of own) {
      scene.remove(o);
      o.geometry.dispose();
    }
    own.clear();
    const show = (o) => {
      own.add(o);
      scene.add(o);
    };
    dashed.resolution.set(W, H);
    dashed.dashScale = s / 6;
    const { cut } = stage;
    paperSkin.clippingPlanes = cut?.on ? [new Plane(new Vector3(...cut.normal).multiplyScalar(-cut.side), cut.at * cut.side)] : null;
    if (state.part?.triangles && stage.shownAs !== 'plain') {
      let positions = [...(state.part.sharp ?? []), ...outlineEdges(to)];
      if (cut?.on)
        positions = kept(
          positions,
          cut.normal.map((v) => v * cut.side),
          cut.at * cut.side,
        );
      if (positions.length) {
        const g = new LineSegmentsGeometry();
        g.setPositions(positions);
        show(new LineSegments2(g, ink));
        if (stage.shownAs === 'lines' || stage.shownAs === 'glass') {
          const hidden = new LineSegments2(g, dashed);
          hidden.computeLineDistances();
          show(hidden);
        }
      }
    }
    for (const { name, offered: o } of lit.faces) {
      const g = new BufferGeometry();
      g.setAttribute('position', new BufferAttribute(new Float32Array(trianglesOf(state.part, name)), 3));
      show(new Mesh(g, o ? picks.offered : picks.chosen));
    }
    renderer.render(scene, camera);
  }

  let pending = false;
  let sized = '';
  let seen = '';
  renderer.domElement.addEventListener('webglcontextrestored', () => {
    seen = '';
    stage.redraw();
  });
  stage.redraw = () => {
    if (pending) return;
    pending = true;
    requestAnimationFrame(() => {
      pending = false;
      const W = host.clientWidth;
      const H = host.clientHeight;
      if (!W || !H) return;
      // setting a size makes the drawing surface anew, even to the same one
      const size = `${W} ${H} ${window.devicePixelRatio}`;
      if (size !== sized) {
        sized = size;
        renderer.setPixelRatio(Math.min(2, window.devicePixelRatio || 1));
        renderer.setSize(W, H, false);
      }
      const { to, up } = stage.frame();
      const s = stage.scale();
      ink.resolution.set(W, H);
      stage.inks.forEach((m) => {
        m.resolution.set(W, H);
        m.dashScale = s / 7;
      });
      camera.left = -((W + stage.inset) / 2 + state.pan[0]) / s;
      camera.right = ((W - stage.inset) / 2 - state.pan[0]) / s;
      camera.top = (H / 2 + state.pan[1]) / s;
      camera.bottom = -(H / 2 - state.pan[1]) / s;
      camera.up.copy(up);
      camera.position.copy(state.centre).addScaledVector(to, 1000);
      camera.lookAt(state.centre);
      camera.updateProjectionMatrix();
      const lit = !small && state.part?.triangles ? highlights(stage.offered) : { faces: [], edges: [], corners: [] };
      const { cut } = stage;
      const sight = [
        size,
        camera.left,
        camera.right,
        camera.top,
        camera.bottom,
        state.turn,
        state.tilt,
        ...state.centre,
        stage.shownAs,
        cut?.on ? [cut.normal, cut.at, cut.side] : '',
        JSON.stringify(lit.faces),
        material.uniforms.grain.value,
        ...scene.children.filter((c) => !own.has(c)).map((c) => `${c.id} ${c.visible} ${c.position.toArray()}`),
      ].join(' ');
      // most of what happens changes only what is drawn over the picture
      if (sight !== seen) {
        seen = sight;
        draw3d(W, H, s, to, lit);
      }
      drawPaper(stage);
      over.replaceChildren();
      if (!small) {
        over.insertAdjacentHTML(
          'afterbegin',
          `<defs><pattern id="cut-hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><path d="M0 0V7" stroke="${css('birch-edge')}" stroke-width="1.6"/></pattern></defs>`,
        );
        for (const draw of stage.onDraw) draw(svg);
        if (state.part?.triangles)
          drawPicks(
            (tag, a) => svg(tag, a, over.querySelector('.picking') ?? svg('g', { class: 'picking' })),
            state.part,
            stage.flat(),
            lit,
          );
        if (!host.dataset.replaying) drawMarks(svg('g', {}), json('marks') ?? [], stage.project, state.box, state.picked);
      }
      host.dataset.drawn = String(Number(host.dataset.drawn ?? 0) + 1);
    });
  };

  stage.fit = () => {
    state.zoom = 1;
    state.pan = [0, 0];
    const pos = state.part?.triangles?.position;
    if (pos) {
      const lo = [Infinity, Infinity, Infinity];
      const hi = [-Infinity, -Infinity, -Infinity];
      for (let i = 0; i < pos.length; i++) {
        lo[i % 3] = Math.min(lo[i % 3], pos[i]);
        hi[i % 3] = Math.max(hi[i % 3], pos[i]);
      }
      state.centre.set((lo[0] + hi[0]) / 2, (lo[1] + hi[1]) / 2, (lo[2] + hi[2]) / 2);
      state.radius = Math.max(1e-3, Math.hypot(hi[0] - lo[0], hi[1] - lo[1], hi[2] - lo[2]) / 2);
      state.low = lo[2];
      state.box = { lo, hi };
    }
    stage.redraw();
  };
  stage.look = (name) => {
    state.view = name;
    [state.turn, state.tilt] = VIEWS[name];
    host.querySelectorAll('[data-view]').forEach((b) => b.setAttribute('aria-pressed', String(b.dataset.view === name)));
    stage.fit();
  };

  function build(part) {
    const shown = stage.hidden.size ? without(part, stage.hidden) : part;
    state.part = shown;
    if (mesh) {
      scene.remove(mesh);
      mesh.geometry.dispose();
      mesh = null;
    }
    if (!shown.triangles) return;
    const g = new BufferGeometry();
    g.setAttribute('position', new BufferAttribute(shown.triangles.position, 3));
    g.setAttribute('normal', new BufferAttribute(shown.triangles.normal, 3));
    g.setAttribute('tint', new BufferAttribute(tints(shown, json('paint') ?? {}), 4));
    mesh = new Mesh(g, material);
    skin();
    scene.add(mesh);
  }

  let asked = 0;
  let whole = null;
  async function load(url) {
    if (url === state.url && !state.tried) {
      if (whole) build(whole);
      for (const done of stage.onPart) done();
      stage.redraw();
      return;
    }
    state.url = url;
    const mine = ++asked;
    host.querySelector('.empty')?.toggleAttribute('hidden', Boolean(url));
    if (!url) {
      state.part = whole = null;
      state.box = null;
      if (mesh) {
        scene.remove(mesh);
        mesh.geometry.dispose();
        mesh = null;
      }
      stage.redraw();
      return;
    }
    let part;
    try {
      part = await loadGlb(url);
    } catch {
      return;
    }
    if (mine !== asked) return; // a newer part is on its way
    const first = whole === null;
    whole = part;
    state.tried = 0;
    state.shownUrl = url;
    build(part);
    const before = state.radius;
    const keep = [state.zoom, state.pan, state.centre.clone(), state.radius];
    stage.fit();
    material.uniforms.grain.value = 45 / state.radius;
    // while an edit hardly changes the size, the view stays where it was put; replay never moves it
    if (!first && host.dataset.replaying) {
      [state.zoom, state.pan, , state.radius] = keep;
      state.centre.copy(keep[2]);
      stage.redraw();
    } else if (!first && Math.abs(before / state.radius - 1) < 0.02) {
      [state.zoom, state.pan] = keep;
      stage.redraw();
    }
    host.dataset.part = url;
    for (const done of stage.onPart) done();
    if (!small) learn().then(stage.redraw);
  }
  stage.load = load;
  /** Shows a part that is only tried, base64 of its file. */
  stage.showTried = (text) => {
    const letters = atob(text);
    const bytes = new Uint8Array(letters.length);
    for (let i = 0; i < bytes.length; i++) bytes[i] = letters.charCodeAt(i);
    state.tried++;
    build(readGlb(bytes.buffer));
    stage.redraw();
  };
  stage.rebuild = () => {
    if (whole) build(whole);
    stage.redraw();
  };
  const slip = host.querySelector('[data-pickhint]');
  stage.says = (text) => {
    if (slip) {
      slip.hidden = !text;
      slip.textContent = text;
    }
  };

  document.addEventListener('cubo:part', () => {
    if (!host.dataset.replaying) load(document.getElementById('state')?.dataset.glb ?? state.url);
  });
  document.addEventListener('focusin', (e) => {
    if (!small && e.target.closest?.('li.step')) stage.redraw();
  });
  document.addEventListener('cubo:pick', (e) => {
    state.picked = e.detail;
    stage.redraw();
  });
  mountControls(stage);
  if (!small) {
    mountTools(stage);
    mountDoes(stage);
    host.stage = stage;
  }
  new ResizeObserver(stage.redraw).observe(host);
  load(document.getElementById('state')?.dataset.glb ?? host.dataset.glb ?? '');
}

// the part without the faces of hidden bodies
function without(part, hidden) {
  if (!part.triangles) return part;
  const { position, normal, face, faces } = part.triangles;
  const keep = [];
  for (let i = 0; i < face.length; i += 3) if (!hidden.has(faces[face[i]])) keep.push(i / 3);
  const pick = (a, w) => Float32Array.from(keep.flatMap((t) => Array.from(a.subarray(t * w, t * w + w))));
  const edgeOf = (i) => (part.edge?.[i / 3] >= 0 ? part.edges[part.edge[i / 3]].split(' / ') : []);
  const sharp = [];
  const edge = [];
  for (let i = 0; i < (part.sharp?.length ?? 0); i += 6) {
    if (edgeOf(i).some((n) => hidden.has(n))) continue;
    sharp.push(...part.sharp.subarray(i, i + 6));
    edge.push(part.edge[i / 3], part.edge[i / 3]);
  }
  return {
    ...part,
    triangles: { position: pick(position, 9), normal: pick(normal, 9), face: pick(face, 3), faces },
    sharp: Float32Array.from(sharp),
    edge,
    round: null,
  };
}
