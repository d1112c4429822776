import type { Step } from '../model/procedure';
import type { Component } from '../model/series';
import type { Line } from '../reading/words';
import type { Carried } from './carried';
import { type Now, placeOfPiece, type Variant } from './facts';
import type { FieldName, ValueOf } from './fields';
import type { Move, Notice, NoticeOf } from './notices';
import type { Structure } from './structure';
import type { Generation, Piece, Place, Unit } from './units';

type Kept = Pick<Carried, 'cells' | 'away' | 'takenFirst' | 'isolations' | 'drains' | 'aids' | 'loose'>;

/** What a replay knows beside the facts of the bench, the same on every way. */
export interface Surroundings extends Kept {
  readonly structure: Structure;
  /** How many holes of fasteners each guide pin, or set of them, stands in. */
  readonly aidHoles: ReadonlyMap<string, number>;
  /** Lines that some step closes or releases, so that each has to be released. */
  readonly lines: ReadonlySet<Line>;
  /** Whether the words of the procedure tell of a liquid, besides the air that drives the pump. */
  holdsLiquid(): boolean;
  /** Minutes of work from a step to the one in hand, on each way that can have passed both. */
  minutesSince(index: number, now: Now): readonly Variant<number>[];
  /** How a part faces as another step for it alone says. */
  facingElsewhere(componentId: string, except: Step): ValueOf<'facing'>;
}

/** One step carried out on ways that agree in all it looks at. */
export class Acting {
  readonly moves: Move[] = [];
  readonly notices: Notice[] = [];

  constructor(
    readonly now: Now,
    readonly around: Surroundings,
    readonly step: Step,
    readonly index: number,
  ) {}

  get structure(): Structure {
    return this.around.structure;
  }

  read<F extends FieldName>(name: F, key: string): ValueOf<F> {
    return this.now.read(name, key);
  }

  write<F extends FieldName>(name: F, key: string, value: ValueOf<F>): void {
    this.now.write(name, key, value);
  }

  note(notice: Notice): void {
    this.notices.push(notice);
  }

  /** The same about one component is told once a step. */
  noteOnce(notice: Extract<Notice, { componentId: string }>): void {
    if (!this.notices.some((n) => n.kind === notice.kind && 'componentId' in n && n.componentId === notice.componentId))
      this.notices.push(notice);
  }

  missing(component: Component, reason: NoticeOf<'not-there'>['reason']): void {
    this.note({ kind: 'not-there', componentId: component.id, reason });
  }

  component(id: string): Component | undefined {
    return this.structure.components.get(id);
  }

  piece(id: string): Piece | undefined {
    return this.structure.pieces.get(id);
  }

  seat({ id }: Piece): string | null {
    return this.read('seat', id);
  }

  /** Whether it is where it works: in the pump, or in what it sits in. */
  isHome({ id }: Piece): boolean {
    return this.read('at', id) === 'home';
  }

  /** Lying free on the cloth, or new in the tray with the old one in the bin. */
  isReady({ id }: Piece): boolean {
    const at = this.read('at', id);
    return at === 'cloth' || at === 'tray';
  }

  /** In the pump itself, and so is all it sits in. */
  isInPump(piece: Piece): boolean {
    if (!this.isHome(piece)) return false;
    const host = this.read('host', piece.id);
    const around = host === null ? undefined : this.piece(host);
    return !around || this.isInPump(around);
  }

  /** Where the unit in use of a piece is, as a cloth would show it. */
  placeOf({ id }: Piece): Place {
    return placeOfPiece(id, (name, key) => this.read(name, key));
  }

  unit(piece: Piece): Unit {
    const { id, componentId, positionId } = piece;
    const generation: Generation = this.read('generation', id);
    return { id: `${id}/${generation}`, pieceId: id, componentId, positionId, generation };
  }

  move(piece: Piece, unit: Unit, act: Move['act'], from: Place, to: Place): void {
    this.moves.push({ unitId: unit.id, act, from, to, cell: this.around.cells.of(unit.id)?.number ?? null });
    if (act === 'binned') return;
    for (const content of this.inside(piece)) this.move(content, this.unit(content), 'along', from, to);
  }

  /** The pieces that sit in this one now, not those that sit in them. */
  inside(host: Piece): Piece[] {
    return this.contents(host).filter((piece) => this.isHome(piece));
  }

  /** The pieces that belong in this one, home or not. */
  contents(host: Piece): Piece[] {
    const own = (this.structure.contentsOf.get(host.id) ?? []).flatMap((id) => this.piece(id) ?? []);
    return own.filter((piece) => this.read('host', piece.id) === host.id);
  }

  meet(a: string | null, b: string | null): boolean {
    return this.structure.places.meet(a, b);
  }
}
