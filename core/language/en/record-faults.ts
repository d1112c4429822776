import type { RecordFault } from '../../seal/verify';
import { counted } from './naming';

/** What does not hold in an exported record. */
export function sayRecordFault(fault: RecordFault): string {
  switch (fault.is) {
    case 'unreadable':
      return `This is no exported record, or it is damaged${fault.path ? ` (at ${fault.path})` : ''}.`;
    case 'other-format':
      return `The format "${fault.format}" is not known here. Check it with the version that made it.`;
    case 'part':
      return `${fault.part} was changed, added or left out.`;
    case 'entry':
      return `The entry "${fault.kind}" of ${fault.at} (${fault.id}) was changed or moved.`;
    case 'entries-missing':
      return `${counted(fault.count, 'entry', 'entries')} of device ${fault.device} are missing.`;
    case 'entries-added':
      return `${counted(fault.count, 'entry', 'entries')} of device ${fault.device} were added after the record was sealed.`;
    case 'maker':
      return `The entry "${fault.kind}" of ${fault.at} (${fault.id}) is not what its maker signed.`;
    case 'head':
      return 'The chains and parts do not add up to the head of the seal.';
    case 'signature':
      return 'The signature of the workshop does not hold for this seal.';
  }
}
