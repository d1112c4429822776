import { Group, NumberInput, Title } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Series } from '#core/model/series';
import { QuantityText } from '../../parts/QuantityText';

interface DutyFieldsProps {
  readonly series: Series;
  readonly change: (series: Series) => void;
}

type Duty = NonNullable<Series['duty']>;

/** What makers' data say of flow and power: test runs are judged by it. */
export function DutyFields({ series, change }: DutyFieldsProps) {
  const { t } = useTranslation();
  const { duty = {}, ...rest } = series;
  const set = (fields: { [Field in keyof Duty]: Duty[Field] | undefined }) => {
    const next = Object.fromEntries(Object.entries({ ...duty, ...fields }).filter(([, value]) => value !== undefined));
    change(Object.keys(next).length > 0 ? { ...rest, duty: next as Duty } : rest);
  };
  const share = (what: 'volumetric' | 'overall') => (
    <NumberInput
      label={t(`duty.${what}`)}
      min={10}
      max={100}
      suffix=" %"
      value={duty[what] === undefined ? '' : Math.round(duty[what] * 1000) / 10}
      onChange={(value) => set({ [what]: value === '' || Number(value) < 10 ? undefined : Number(value) / 100 })}
    />
  );
  return (
    <section>
      <Title order={2} size="h4" mt="xl" mb="xs">
        {t('duty.title')}
      </Title>
      <Group grow maw={720} align="flex-start">
        <QuantityText
          label={t('duty.displacement')}
          dimension="volume"
          placeholder="10.5 mL"
          value={duty.displacement}
          onQuantity={(displacement) => set({ displacement })}
        />
        {share('volumetric')}
        {share('overall')}
      </Group>
    </section>
  );
}
