import { Button, FileInput, Group, List, SegmentedControl, Stack, Text } from '@mantine/core';
import i18next from 'i18next';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { sayFaults, type ToldFault } from '#core/language/en/problems';
import { type Package, parsePackage } from '#core/package/package';
import { isZip, unzipPackage } from '#core/package/zip';
import { ApiFault, answer, api, sendPackageZip } from '../../ground/api';
import { tellDone, tellFault } from '../../ground/notify';
import { modals } from '../../ground/overlays';
import { useLeaveModal } from '../../parts/useLeaveModal';

export function openImport(): void {
  modals.open({ title: i18next.t('import.title'), size: 'lg', children: <ImportForm /> });
}

type Way = 'new' | 'copy' | 'replace';

/** Reads a package file in the browser first, so that every fault is shown before anything is sent. */
function ImportForm() {
  const { t } = useTranslation();
  const leaveTo = useLeaveModal();
  const [read, setRead] = useState<Package | null>(null);
  /** The file itself, where pictures come with it. */
  const [zip, setZip] = useState<File | null>(null);
  const [faults, setFaults] = useState<readonly ToldFault[]>([]);
  const [clash, setClash] = useState(false);
  const [way, setWay] = useState<Way>('new');

  const choose = async (file: File | null) => {
    setRead(null);
    setZip(null);
    setFaults([]);
    setClash(false);
    setWay('new');
    if (!file) return;
    const bytes = new Uint8Array(await file.arrayBuffer());
    let text = new TextDecoder().decode(bytes);
    if (isZip(bytes)) {
      const unzipped = unzipPackage(bytes);
      if (!unzipped.ok) return setFaults([{ path: '(file)', reason: t(`import.zip.${unzipped.reason}`) }]);
      text = unzipped.text;
      setZip(file);
    }
    const reading = parsePackage(text);
    if (reading.ok) setRead(reading.package);
    else setFaults(sayFaults(reading.faults));
  };

  const send = async () => {
    if (!read) return;
    try {
      const { id } = zip
        ? await sendPackageZip(zip, way)
        : await answer(api.packages.$post({ json: { package: read, when: way } }));
      tellDone(t('import.done', { name: `${read.series.name} ${read.series.code}`, count: read.procedures.length }));
      leaveTo(`/series/${id}`);
    } catch (error) {
      if (error instanceof ApiFault && error.fault.code === 'series-exists') {
        setClash(true);
        setWay('copy');
      } else if (error instanceof ApiFault && error.fault.where) setFaults(error.fault.where);
      else tellFault(error);
    }
  };

  return (
    <Stack>
      <FileInput
        label={t('import.file')}
        description={t('import.hint')}
        placeholder={t('import.choose')}
        accept=".json,.zip,application/json,application/zip"
        onChange={choose}
      />
      {faults.length > 0 && (
        <div role="alert">
          <Text fw={650} c="kaki">
            {t('import.refused', { count: faults.length })}
          </Text>
          <List size="sm" mt={6} mah={260} style={{ overflow: 'auto' }}>
            {faults.map(({ path, reason }) => (
              <List.Item key={`${path} ${reason}`}>
                <span className="number">{path}</span>
                {`: ${reason}`}
              </List.Item>
            ))}
          </List>
        </div>
      )}
      {read && (
        <Text>
          {t('import.found', { name: `${read.series.name} ${read.series.code}`, count: read.procedures.length })}
        </Text>
      )}
      {clash && (
        <>
          <Text c="kaki" role="alert">
            {t('import.clash')}
          </Text>
          <SegmentedControl
            value={way}
            onChange={(value) => setWay(value as Way)}
            data={[
              { value: 'copy', label: t('import.copy') },
              { value: 'replace', label: t('import.replace') },
            ]}
          />
        </>
      )}
      <Group justify="flex-end">
        <Button variant="default" onClick={() => modals.closeAll()}>
          {t('app.cancel')}
        </Button>
        <Button onClick={send} disabled={!read || faults.length > 0}>
          {t('import.go')}
        </Button>
      </Group>
    </Stack>
  );
}
