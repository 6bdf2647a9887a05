// Reads the binary glTF that the server makes: attribute arrays by primitive, nothing more.
export async function loadGlb(url) {
  const response = await fetch(url, { credentials: 'same-origin' });
  if (!response.ok) throw new Error(`part ${response.status}`);
  return readGlb(await response.arrayBuffer());
}

export function readGlb(buffer) {
  const view = new DataView(buffer);
  if (view.getUint32(0, true) !== 0x46546c67) throw new Error('not a part file');
  const jsonLength = view.getUint32(12, true);
  const json = JSON.parse(new TextDecoder().decode(new Uint8Array(buffer, 20, jsonLength)));
  const bin = 20 + jsonLength + 8;
  const read = (index) => {
    const a = json.accessors[index];
    const v = json.bufferViews[a.bufferView];
    return new Float32Array(buffer.slice(bin + v.byteOffset, bin + v.byteOffset + v.byteLength));
  };
  const out = { triangles: null, sharp: null, round: null };
  for (const p of json.meshes?.[0]?.primitives ?? []) {
    const at = Object.fromEntries(Object.entries(p.attributes).map(([k, i]) => [k, read(i)]));
    if (p.mode === 4) out.triangles = { position: at.POSITION, normal: at.NORMAL, face: at._FACE, faces: p.extras?.faces ?? [] };
    else if (at._NA) out.round = { position: at.POSITION, na: at._NA, nb: at._NB };
    else {
      out.sharp = at.POSITION;
      out.edge = at._EDGE;
      out.edges = p.extras?.edges ?? [];
    }
  }
  return out;
}
