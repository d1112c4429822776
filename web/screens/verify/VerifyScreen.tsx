import { Button, FileButton, Text, Title } from '@mantine/core';
import { ed25519 } from '@noble/curves/ed25519.js';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { sayGap, sayRecordFault } from '#core/language/en/record-faults';
import { type Means, type Verified, verifyRecord } from '#core/seal/verify';
import { showMoment } from '../../ground/format';
import styles from './Verify.module.css';

/** Checked in this page alone: nothing of the record is sent anywhere. */
const MEANS: Means = {
  hash: (text) => bytesToHex(sha256(utf8ToBytes(text))),
  holds: (signature, text, publicKey) => {
    try {
      return ed25519.verify(fromBase64url(signature), utf8ToBytes(text), fromBase64url(publicKey));
    } catch {
      return false;
    }
  },
};

function fromBase64url(text: string): Uint8Array {
  return Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (letter) => letter.charCodeAt(0));
}

/** Whether an exported record is as it was signed; open to anybody who holds one. */
export function VerifyScreen() {
  const { t } = useTranslation();
  const [checked, setChecked] = useState<{ readonly name: string; readonly verified: Verified }>();
  const check = async (file: File | null) => {
    if (!file) return;
    const text = await file.text();
    setChecked({ name: file.name, verified: verifyRecord(readJson(text), MEANS) });
  };
  return (
    <main className={styles.page}>
      <Title order={1}>{t('verify.title')}</Title>
      <Text className="quiet">{t('verify.about')}</Text>
      <FileButton accept="application/json,.json" onChange={(file) => void check(file)}>
        {(props) => (
          <Button {...props} size="md" className={styles.choose}>
            {t('verify.choose')}
          </Button>
        )}
      </FileButton>
      {checked && <Result {...checked} />}
    </main>
  );
}

function Result({ name, verified: { faults, gaps, file } }: { name: string; verified: Verified }) {
  const { t } = useTranslation();
  const isWhole = faults.length === 0 && file !== undefined;
  return (
    <section className={`${styles.result} ${isWhole ? styles.whole : styles.broken}`} role="status">
      <Title order={2}>{t(isWhole ? 'verify.whole' : 'verify.broken', { name })}</Title>
      {faults.slice(0, MOST_SHOWN).map((fault) => {
        const said = sayRecordFault(fault);
        return <p key={said}>{said}</p>;
      })}
      {faults.length > MOST_SHOWN && <p>{t('verify.more', { count: faults.length - MOST_SHOWN })}</p>}
      {gaps.slice(0, MOST_SHOWN).map((gap) => {
        const said = sayGap(gap);
        return <p key={said}>{said}</p>;
      })}
      {file && (
        <dl className={styles.facts}>
          <dt>{t('verify.job')}</dt>
          <dd>
            {t('verify.jobIs', {
              number: file.record.job.number,
              serial: file.record.job.pumpSerial,
              customer: file.record.job.customer,
              count: file.record.entries.length,
            })}
          </dd>
          <dt>{t('verify.signed')}</dt>
          <dd>{showMoment(file.seal.sealedAt)}</dd>
          <dt>{t('verify.key')}</dt>
          <dd className="number">{file.seal.publicKey}</dd>
        </dl>
      )}
      {isWhole && <p>{t('verify.compare')}</p>}
    </section>
  );
}

const MOST_SHOWN = 12;

function readJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
