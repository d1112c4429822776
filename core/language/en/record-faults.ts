import type { Gap, RecordFault } from '../../seal/verify';
import { counted } from './counted';

const PARTS: Readonly<Record<string, string>> = {
  'job.id': 'The id of the job',
  'job.number': 'The number of the job',
  'job.workOrder': 'The work order',
  'job.pumpSerial': 'The pump serial number',
  'job.customer': 'The customer',
  'job.hours': 'The hour meter',
  'job.startedAt': 'When the job was started',
  'job.startedBy': 'Who started the job',
  'job.finishedAt': 'When the job was finished',
  'release.id': 'The id of the release',
  'release.number': 'The number of the release',
  'release.workbook': 'The instruction',
};

/** A part of a record as a reader knows it; people and keys by their ids. */
function sayPart(part: string): string {
  const [group, ...id] = part.split('.');
  if (group === 'people') return `The name of person ${id.join('.')}`;
  if (group === 'keys') return `The signing key ${id.join('.')}`;
  return PARTS[part] ?? part;
}

/** What does not hold in an exported record. */
export function sayRecordFault(fault: RecordFault): string {
  switch (fault.is) {
    case 'unreadable':
      return `This is no exported record, or it is damaged${fault.path ? ` (at ${fault.path})` : ''}.`;
    case 'other-format':
      return `The format "${fault.format}" is not known here. Check it with the version that made it.`;
    case 'part':
      return `${sayPart(fault.part)} was changed, added or left out.`;
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

/** A place where something that a device made is not in the record. */
export function sayGap({ device, kind, at, id }: Gap): string {
  return `Before the entry "${kind}" of ${at} (${id}) device ${device} made another one that is not in the record. The server may have refused it.`;
}
