// Reads {"pairs": [[meshP, meshQ], ...]} and prints into how many pieces manifold-3d decomposes each union.
import { pairs, solid } from './support.mjs';

console.log(JSON.stringify(pairs.map(([a, b]) => solid(a).add(solid(b)).decompose().length)));
