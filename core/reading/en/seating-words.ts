/** Parts that go into their bore with force, by name. Common practice. */
export function pressedIn(name: string): boolean {
  return /\b(?:bush|bushing|bearing|seat|oil seal|shaft seal|dowel|sleeve bearing|race|liner)s?$/i.test(name);
}

/** Tools that only take things out: they do not come along on the way back. */
export function pullsOut(name: string): boolean {
  return /\b(?:puller|extractor|pick|hook|pry bar|prybar|crowbar|lever|removal|remover|scraper|chisel|seat puller|slide hammer|jacking|drift|punch|side cutters?|cutter|lamp|torch|brush|cloth|rag|marker|pen|tray|calliper|caliper|micrometer|gauge)s?\b/i.test(
    name,
  );
}

/** Tools that press or drive a part in. */
export function pushesIn(name: string): boolean {
  return (
    /\b(?:driver|pusher|installer|inserter|press|mandrel|fitting sleeve|seating tool|drift)s?$/i.test(name) &&
    !/\b(?:screw|nut|impact)/i.test(name)
  );
}
