// The birch of the part: three tones by direction, a little grain; painted faces keep the tones of their colour.
import { Color, DoubleSide, ShaderMaterial, Vector4 } from 'three';

export const css = (name) => getComputedStyle(document.documentElement).getPropertyValue(`--color-${name}`).trim();
export const colour = (name) => new Color(css(name)).convertLinearToSRGB();

// nothing is cut away when the plane lies infinitely far
export const NO_CUT = new Vector4(0, 0, 1, 1e9);

export function wood() {
  const c = (n) => ({ value: colour(n) });
  return new ShaderMaterial({
    side: DoubleSide,
    polygonOffset: true,
    polygonOffsetFactor: 1.5,
    polygonOffsetUnits: 2,
    uniforms: {
      top: c('birch-top'),
      side: c('birch-side'),
      shade: c('birch-shade'),
      grain: { value: 1 },
      clear: { value: 1 },
      cut: { value: NO_CUT.clone() },
    },
    vertexShader:
      'attribute vec4 tint; varying vec3 p; varying vec3 n; varying vec4 t; void main(){ p = position; n = normal; t = tint; gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.); }',
    fragmentShader: `varying vec3 p; varying vec3 n; varying vec4 t; uniform vec3 top, side, shade; uniform float grain, clear; uniform vec4 cut;
      float h(vec2 q){ return fract(sin(dot(q, vec2(41.3, 289.1))) * 43758.5); }
      float ns(vec2 q){ vec2 i = floor(q), f = fract(q); f = f * f * (3. - 2. * f); return mix(mix(h(i), h(i + vec2(1, 0)), f.x), mix(h(i + vec2(0, 1)), h(i + vec2(1, 1)), f.x), f.y); }
      void main(){ if (dot(p, cut.xyz) > cut.w) discard;
        vec3 m = normalize(n); if (!gl_FrontFacing) m = -m;
        float up = max(m.z, 0.); float lit = clamp(dot(m, normalize(vec3(.35, -1., 0.))) * .5 + .5, 0., 1.);
        vec3 c = mix(mix(shade, side, smoothstep(.25, .95, lit)), top, up); if (m.z < -.5) c = shade * .96;
        float tone = dot(c, vec3(.3, .6, .1)) / dot(top, vec3(.3, .6, .1));
        c = mix(c, t.rgb * (.35 + .65 * tone), t.a);
        vec3 q = p * grain;
        float w = ns(vec2(q.x * .035 + 3., q.y * .16 + q.z * .21)) * 1.3;
        float r = length(vec2(q.y + 34., q.z * .8 + 58.)) + w;
        float g = abs(fract(r * .25) - .5) * 2.; g = smoothstep(.86, 1., g);
        float f = ns(vec2(q.x * .22, (q.y + q.z * 1.3) * 5.)) - .5;
        c *= 1. - g * .07; c *= 1. + f * .03;
        gl_FragColor = vec4(c, clear); }`,
  });
}

// The colours faces can be painted in: water colours that keep their distance from the ink and from red chalk.
export const PAINT = {
  white: '#FBFAF6',
  graphite: '#6E6A70',
  red: '#C4503F',
  orange: '#DE8A3C',
  yellow: '#E9C94B',
  green: '#6F9A5B',
  blue: '#5B86B4',
  violet: '#8C6BAE',
};

/** One colour and amount for every corner of every triangle. */
export function tints(part, painted) {
  const out = new Float32Array((part.triangles.position.length / 3) * 4);
  const of = part.triangles.faces.map((name) => (painted[name] ? new Color(PAINT[painted[name]]).convertLinearToSRGB() : null));
  if (of.every((c) => c === null)) return out;
  part.triangles.face.forEach((f, i) => {
    const c = of[f];
    if (c) out.set([c.r, c.g, c.b, 1], 4 * i);
  });
  return out;
}
