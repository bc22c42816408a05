import type { EvidenceFault, EvidenceNote } from './verify';

const short = (hash: string): string => hash.slice(0, 12);

type Words = {
  readonly [C in EvidenceFault['code']]: (fault: Extract<EvidenceFault, { code: C }>) => string;
};

const words: Words = {
  'log.line_changed': ({ seq }) => `Line ${seq} of the log was changed, or one before it.`,
  'log.line_missing': ({ seq }) => `Line ${seq} of the log is missing.`,
  'log.head_lost': ({ seq }) =>
    `The log ends before line ${seq}, which was seen: sheets have been dropped from its end.`,
  'log.head_changed': ({ seq }) =>
    `Line ${seq} of the log is not the one that was seen: the log has been written anew.`,
  'sheet.altered': ({ sheet }) =>
    `Sheet ${short(sheet)} does not say what it said when it was filed.`,
  'sheet.link_broken': ({ sheet }) =>
    `Sheet ${short(sheet)} does not follow the one before it: one is missing, or was moved.`,
  'sheet.other_valve': ({ sheet, valve }) =>
    `Sheet ${short(sheet)} was filed for another valve: ${valve}.`,
  'sheet.dropped': ({ sheet, seq }) =>
    `What was filed in line ${seq} of the log, ${short(sheet)}, is not here: a sheet, or what a second hand said of one.`,
  'sheet.reordered': ({ sheet }) => `Sheet ${short(sheet)} does not stand where it was filed.`,
  'sheet.not_in_log': ({ sheet }) => `Sheet ${short(sheet)} was never filed: it is not in the log.`,
  'entries.missing': ({ sheet }) =>
    `Entries that the signature under sheet ${short(sheet)} is about are not here.`,
  'entries.altered': ({ sheet, entry }) =>
    `Entry ${entry} under sheet ${short(sheet)} was changed after it was sealed.`,
  'entries.other_sheet': ({ sheet }) =>
    `The entries under sheet ${short(sheet)} come to another sheet than this.`,
  'revision.changes_more': ({ sheet }) =>
    `Revision ${short(sheet)} changes more than the notes of the sheet that it corrects.`,
  'revision.of_nothing': ({ sheet }) =>
    `Revision ${short(sheet)} corrects a sheet that is not here.`,
  'revision.signature_wrong': ({ sheet }) =>
    `The reviser’s signature under revision ${short(sheet)} does not hold.`,
  'author.signature_wrong': ({ sheet }) =>
    `The signature of the author’s device under sheet ${short(sheet)} does not hold.`,
  'countersign.signature_wrong': ({ sheet, by }) =>
    `What ${by} said of sheet ${short(sheet)} is not what the signature under it is about.`,
  'countersign.of_nothing': ({ sheet, by }) =>
    `${by} countersigned sheet ${short(sheet)}, which is not here.`,
  'signature.wrong': ({ seq }) => `The signature under line ${seq} of the log does not hold.`,
  'key.unknown': ({ key }) => `Signed by a key that is not known: ${short(key)}.`,
};

/** What is wrong, as a sentence; a fault that only a later version knows by its code. */
export function faultWords(fault: EvidenceFault): string {
  const say = (words as Partial<Record<string, (fault: EvidenceFault) => string>>)[fault.code];
  return say ? say(fault) : fault.code;
}

const noteTexts: Readonly<Record<EvidenceNote['code'], (sheet: string) => string>> = {
  'sheet.without_root': (sheet) =>
    `Sheet ${sheet} is of before: its words are checked, its entries are not.`,
  'sheet.revision': (sheet) =>
    `Sheet ${sheet} is a revision: its readings stand in the sheet that it corrects.`,
  'countersign.not_in_log': (sheet) =>
    `What was said of sheet ${short(sheet)} has no line in the log: whether more was said cannot be told.`,
  'countersign.own': (sheet) =>
    `Sheet ${sheet} was agreed by the hand that signed it: no second pair of eyes has seen it.`,
  'revision.unsigned': (sheet) =>
    `Revision ${sheet} is of before: who revised it is named, but has not signed.`,
};

/** What could not be checked, and why that is no fault. */
export const noteWords = ({ code, sheet }: EvidenceNote): string => noteTexts[code](short(sheet));
