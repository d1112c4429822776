import i18next from 'i18next';
import { useTranslation } from 'react-i18next';
import { modals } from '../../../ground/overlays';
import { BENCH_THEMES, HANDS, TEXT_SIZES, useBenchView } from '../../../state/bench-view';
import frame from '../Bench.module.css';
import styles from './View.module.css';

export function openView(): void {
  modals.open({ title: i18next.t('bench.view.title'), size: 'lg', children: <View /> });
}

/** For which hand, by which light and how large the bench is shown, and which keys it knows. */
function View() {
  const { t } = useTranslation();
  const view = useBenchView();
  return (
    <div className={styles.view}>
      <Choice
        label={t('bench.view.hand')}
        options={HANDS.map((hand) => ({ value: hand, label: t(`bench.view.hands.${hand}`) }))}
        chosen={view.hand}
        onChoose={(hand) => useBenchView.setState({ hand })}
      />
      <Choice
        label={t('bench.view.theme')}
        options={BENCH_THEMES.map((theme) => ({ value: theme, label: t(`bench.view.themes.${theme}`) }))}
        chosen={view.theme}
        onChoose={(theme) => useBenchView.setState({ theme })}
      />
      <Choice
        label={t('bench.view.text')}
        options={TEXT_SIZES.map((text, i) => ({ value: text, label: t(`bench.view.texts.t${i as 0 | 1 | 2}`) }))}
        chosen={view.text}
        onChoose={(text) => useBenchView.setState({ text })}
      />
      <p className="quiet">{t('bench.view.keys')}</p>
      {!('wakeLock' in navigator) && <p className="quiet">{t('bench.view.noWakeLock')}</p>}
    </div>
  );
}

interface ChoiceProps<Value extends string | number> {
  readonly label: string;
  readonly options: readonly { readonly value: Value; readonly label: string }[];
  readonly chosen: Value;
  readonly onChoose: (value: Value) => void;
}

function Choice<Value extends string | number>({ label, options, chosen, onChoose }: ChoiceProps<Value>) {
  return (
    <fieldset className={styles.choice}>
      <legend>{label}</legend>
      {options.map((option) => (
        <button
          key={option.value}
          type="button"
          className={`${frame.medium} ${option.value === chosen ? frame.chosen : ''}`}
          aria-pressed={option.value === chosen}
          onClick={() => onChoose(option.value)}
        >
          {option.label}
        </button>
      ))}
    </fieldset>
  );
}
