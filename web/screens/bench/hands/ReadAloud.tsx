import { IconPlayerStop, IconVolume } from '@tabler/icons-react';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { sayCaution } from '#core/language/en/cautions';
import { sayStep } from '#core/language/en/sentence';
import type { Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import frame from '../Bench.module.css';

/** Reads the step aloud with the voice of the browser; pressed again, or at the next step, it is silent. */
export function ReadAloud({ step, series }: { step: Step; series: Series }) {
  const { t } = useTranslation();
  const [isReading, setReading] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is the change of step that ends the reading
  useEffect(() => {
    return () => {
      window.speechSynthesis?.cancel();
      setReading(false);
    };
  }, [step.id]);
  if (!('speechSynthesis' in window)) return null;
  const read = () => {
    window.speechSynthesis.cancel();
    if (isReading) return setReading(false);
    const text = [
      ...step.cautions.map((one) => `${one.signal}. ${sayCaution(one)}`),
      sayStep(step, series),
      step.detail,
    ];
    const said = new SpeechSynthesisUtterance(text.filter(Boolean).join(' '));
    said.lang = 'en';
    said.onend = () => setReading(false);
    said.onerror = () => setReading(false);
    setReading(true);
    window.speechSynthesis.speak(said);
  };
  const label = t(isReading ? 'bench.view.stop' : 'bench.view.read');
  return (
    <button type="button" className={frame.medium} onClick={read} aria-label={label} title={label}>
      {isReading ? <IconPlayerStop size={26} aria-hidden /> : <IconVolume size={26} aria-hidden />}
    </button>
  );
}
