import { useMemo, useState } from 'react';
import { sayStep } from '#core/language/en/sentence';
import type { Workbook } from '#core/model/procedure';

/** Steps whose sentence or words hold what is searched for; null while nothing is. */
export function useFoldSearch({ series, procedure }: Workbook) {
  const [query, setQuery] = useState('');
  const words = query.trim().toLowerCase();
  const found = useMemo(() => {
    if (!words) return null;
    const holds = procedure.steps.filter((step, index) =>
      [String(index + 1), sayStep(step, series), step.detail, step.why, ...step.cautions.map((c) => c.text)]
        .join(' ')
        .toLowerCase()
        .includes(words),
    );
    return new Set(holds.map((step) => step.id));
  }, [words, procedure, series]);
  return { query, setQuery, found };
}
