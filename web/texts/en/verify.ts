/** The page that checks an exported record. */
export const verifyTexts = {
  verify: {
    title: 'Check a record',
    about:
      'Choose the JSON file of a record. It is checked in this page, against the chains and the signature in it; nothing of it is sent.',
    choose: 'Choose the file',
    whole: '{{name}} is as it was signed',
    broken: '{{name}} is not as it was signed',
    more_one: 'and {{count}} more',
    more_other: 'and {{count}} more',
    job: 'Record',
    jobIs: 'job {{number}}, serial {{serial}}, {{customer}}, {{count}} entries',
    signed: 'Signed',
    key: 'Public key',
    compare:
      'Compare the key with the one printed on other records of that workshop: anybody can sign with a key of their own.',
  },
};
