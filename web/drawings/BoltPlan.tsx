import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import type { Plan, Point } from '#core/model/fastener-group';
import type { Order } from '#core/torque/pattern';
import { drawPlan, hexagon } from '#core/torque/plan-drawing';
import styles from './BoltPlan.module.css';

interface BoltPlanProps {
  readonly name: string;
  readonly plan: Plan;
  readonly slots: readonly Point[];
  readonly order: Order;
  /** Slots that are done, and the one in hand. */
  readonly done?: ReadonlySet<number>;
  readonly current?: number | undefined;
  /** The way from one to the next is drawn. */
  readonly withWay?: boolean;
  /** Without numbers, for a small drawing. */
  readonly small?: boolean;
  readonly onSlot?: ((slot: number) => void) | undefined;
}

/** A joint from above, with its fasteners numbered in the order in which they are tightened. */
export function BoltPlan({ name, plan, slots, order, done, current, withWay, small, onSlot }: BoltPlanProps) {
  const { t } = useTranslation();
  const { width, height, outline, opening, places, radius } = drawPlan(plan, slots);
  const pins = new Set(plan.pinSlots ?? []);
  const numbers = order.map((slot) => slot + 1).join(', ');
  const state = (slot: number) =>
    slot === current
      ? styles.current
      : done && !done.has(slot)
        ? styles.open
        : pins.has(slot)
          ? styles.pin
          : styles.done;
  return (
    <svg
      className={small ? styles.small : styles.plan}
      viewBox={`0 0 ${width} ${height}`}
      role={onSlot ? 'group' : 'img'}
      aria-label={t('torque.planOf', { name, count: slots.length, order: numbers })}
    >
      <path d={outline} className={styles.outline} />
      {opening && <path d={opening} className={styles.opening} />}
      {withWay &&
        order.slice(1).map((slot, i) => {
          const [from, to] = [places[order[i] ?? -1], places[slot]];
          return (
            from &&
            to && (
              <line
                key={slot}
                x1={from.x}
                y1={from.y}
                x2={to.x}
                y2={to.y}
                className={styles.way}
                opacity={1 - i / (order.length + 2)}
              />
            )
          );
        })}
      {plan.below && !small && (
        <text x={width / 2} y={height / 2 + 5} className={styles.below}>
          {t('torque.belowIs', { what: plan.below })}
        </text>
      )}
      {places.map((place, slot) => {
        const at = order.indexOf(slot);
        const number = at < 0 ? '' : String(at + 1);
        const isFilled = slot === current || !done || done.has(slot);
        return (
          <Place
            key={`${place.x},${place.y}`}
            label={t('torque.slot', { slot: slot + 1, number: number || t('torque.noNumber') })}
            onPick={onSlot && (() => onSlot(slot))}
          >
            <polygon points={hexagon(place, slot === current ? radius * 1.2 : radius)} className={state(slot)} />
            {!small && (
              <text
                x={place.x}
                y={place.y + radius * 0.34}
                fontSize={radius * 0.95}
                className={isFilled ? styles.number : styles.numberOpen}
              >
                {number}
              </text>
            )}
          </Place>
        );
      })}
    </svg>
  );
}

interface PlaceProps {
  readonly label: string;
  readonly onPick: (() => void) | undefined;
  readonly children: ReactNode;
}

/** A fastener in the drawing; a button while it can be picked. */
function Place({ label, onPick, children }: PlaceProps) {
  if (!onPick) return <g>{children}</g>;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a button cannot stand in a drawing
    <g
      role="button"
      tabIndex={0}
      className={styles.button}
      aria-label={label}
      onClick={onPick}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onPick();
      }}
    >
      {children}
    </g>
  );
}
