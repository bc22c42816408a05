/** What the server says no with about people: who one is, what one may do, and has signed. */
export const personRefusals = {
  'person.not_signed_in': 'Nobody is signed in here. It is kept on this phone until somebody is.',
  'person.wrong_secret': 'Name or PIN is not right.',
  'person.not_known_here':
    'There is no network, and this phone does not know this name: it knows whoever has signed in on it in the last 30 days.',
  'person.may_not': 'This is not for your role to change; ask the one who may.',
  'device.not_proved':
    'This phone could not prove its key. Load the page again, and try once more.',
  'device.other_key':
    'This phone is known here by another key. Have an owner end its sessions, and sign in again.',
  'person.no_licence': 'It calls for a licence that its author does not have on that day.',
  'person.short_taken': 'Somebody else has this short name.',
  'person.name_taken': 'Somebody else is called so here: add what tells you apart.',
  'person.name_stays': 'A name stays as it was signed with. Enter a new person instead.',
  'person.needs_secret': 'A new person needs a first PIN.',
  'person.last_owner': 'A house keeps one owner at least: make somebody else an owner first.',
  'person.other_name': 'It stands under another name than yours.',
  'house.has_owner': 'This house has its owner already.',
  'entry.not_yours':
    'It stands under the name of somebody who is not signed in on the phone that made it.',
  'entry.other_key':
    'It is not signed by the key of the phone that its author signed in on. Sign in on this phone again, and sign anew.',
  'entry.other_name': 'The name under the signature is not that of its author.',
  'revision.signature_wrong':
    'The signature under this revision does not hold: it is not what was signed. Nothing was changed.',
};
