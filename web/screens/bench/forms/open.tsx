import i18next from 'i18next';
import type { Signer } from '#core/job/entry-words';
import { tellFault } from '../../../ground/notify';
import { modals } from '../../../ground/overlays';
import type { BenchJob } from '../../../sync/bench-job';
import type { DoubtsProps } from './Doubts';

/* Forms that open above a step. They come when they are opened, or a little after the first screen. */

const reason = () => import('./ReasonForm');
const problem = () => import('./ProblemForm');
const secondPerson = () => import('./SecondPersonForm');
const doubts = () => import('./Doubts');
const signature = () => import('./SignaturePad');

/** Everything that may be opened at the bench. */
export function loadForms(): Promise<unknown> {
  return Promise.all([reason(), problem(), secondPerson(), doubts(), signature()]);
}

export function askReason(
  title: string,
  explain: string,
  action: string,
  onReason: (reason: string) => Promise<unknown>,
): void {
  void reason().then(({ ReasonForm }) => {
    modals.open({ title, size: 'lg', children: <ReasonForm explain={explain} action={action} onReason={onReason} /> });
  }, tellFault);
}

export function openProblem(bench: BenchJob, stepId: string): void {
  void problem().then(({ ProblemForm }) => {
    modals.open({
      title: i18next.t('bench.wrongTitle'),
      size: 'lg',
      children: <ProblemForm bench={bench} stepId={stepId} />,
    });
  }, tellFault);
}

export function openSecondPerson(bench: BenchJob, stepId: string): void {
  void secondPerson().then(({ SecondPersonForm }) => {
    modals.open({
      title: i18next.t('bench.hold.sign'),
      size: 'md',
      children: <SecondPersonForm bench={bench} stepId={stepId} />,
    });
  }, tellFault);
}

export function openDoubts(props: DoubtsProps): void {
  void doubts().then(({ Doubts }) => {
    modals.open({ title: i18next.t('bench.doubts.title'), size: 'xl', children: <Doubts {...props} /> });
  }, tellFault);
}

export function openSignature(bench: BenchJob, as: Signer, name: string): void {
  void signature().then(({ SignaturePad }) => {
    modals.open({
      title: i18next.t(`bench.signature.${as}`),
      size: 'lg',
      children: <SignaturePad bench={bench} as={as} first={name} />,
    });
  }, tellFault);
}
