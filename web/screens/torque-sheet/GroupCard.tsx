import { useTranslation } from 'react-i18next';
import { LEAST_OF_PROOF, MOST_OF_PROOF } from '#core/torque/preload';
import type { SheetGroup } from '#core/torque-sheet/sheet';
import { BoltPlan } from '../../drawings/BoltPlan';
import { showQuantity } from '../../ground/format';
import styles from './TorqueSheet.module.css';
import { groupName, useVerdict } from './verdict';

interface GroupCardProps {
  readonly sheet: SheetGroup;
  readonly isOpen: boolean;
  readonly onOpen: () => void;
}

/** One group in the list: its plan, its figure, and how much of the proof load that is. */
export function GroupCard({ sheet, isOpen, onOpen }: GroupCardProps) {
  const { t } = useTranslation();
  const { group, component, thread, figure, joint } = sheet;
  const verdict = useVerdict(sheet);
  const about = [
    t('torque.pieces', { count: component.count, thread: thread?.name ?? t('torque.noThread') }),
    group.class,
    component.leftHand && t('torque.leftHand'),
  ];
  return (
    <button type="button" className={styles.card} aria-pressed={isOpen} onClick={onOpen}>
      <BoltPlan name={component.name} plan={joint.plan} slots={joint.slots} order={joint.order} small />
      <span className={styles.cardText}>
        <strong>{groupName(component)}</strong>
        <span className={styles.figure}>{figure ? showQuantity(figure.figure) : t('torque.noFigure')}</span>
        <span className="quiet">{about.filter(Boolean).join(', ')}</span>
      </span>
      <span className={styles.cardVerdict}>
        <ShareBar sheet={sheet} />
        <span className={verdict.isWrong ? styles.wrong : verdict.isSound ? styles.right : styles.open}>
          {verdict.text}
        </span>
      </span>
    </button>
  );
}

/** The bar ends a little above the proof load. */
const END = 1.1;
const at = (share: number) => `${Math.min(100, Math.max(0, (share / END) * 100))}%`;

/** The share of the proof load, with its spread, over what is sound. */
function ShareBar({ sheet: { judged } }: { sheet: SheetGroup }) {
  const share = judged?.share;
  const isSound = judged?.verdict === 'sound';
  return (
    <svg className={styles.bar} viewBox="0 0 142 16" preserveAspectRatio="none" aria-hidden="true">
      <rect x="0" y="3" width="142" height="10" rx="5" className={styles.barOut} />
      <rect
        x={at(LEAST_OF_PROOF)}
        y="3"
        width={`${((MOST_OF_PROOF - LEAST_OF_PROOF) / END) * 100}%`}
        height="10"
        className={styles.barSound}
      />
      {share && (
        <>
          <line x1={at(share.least)} x2={at(share.most)} y1="8" y2="8" className={styles.spread} />
          <line
            x1={at(share.usual)}
            x2={at(share.usual)}
            y1="0"
            y2="16"
            className={isSound ? styles.mark : styles.markWrong}
          />
        </>
      )}
    </svg>
  );
}
