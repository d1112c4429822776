/** Pieces that may be off on some way, with the last step that takes them off; asked for the latest first. */
export class Away {
  private readonly last: Map<string, number>;
  private readonly order: (readonly [string, number])[];

  constructor(from?: Away) {
    this.last = new Map(from?.last);
    this.order = [...(from?.order ?? [])];
  }

  add(pieceId: string, index: number): void {
    this.last.delete(pieceId);
    this.last.set(pieceId, index);
    this.order.push([pieceId, index]);
  }

  delete(pieceId: string): void {
    this.last.delete(pieceId);
    for (let tail = this.order.at(-1); tail && !this.holds(tail); tail = this.order.at(-1)) this.order.pop();
  }

  /** In the order they came off. */
  ids(): string[] {
    return [...this.last.keys()];
  }

  *latestFirst(): Generator<readonly [string, number]> {
    for (let i = this.order.length - 1; i >= 0; i -= 1) {
      const entry = this.order[i];
      if (entry && this.holds(entry)) yield entry;
    }
  }

  private holds([id, index]: readonly [string, number]): boolean {
    return this.last.get(id) === index;
  }
}
