import { holdsLicence, type LicenceKind, type PeopleRules, type Person } from '../people';
import { families, type Family } from './list';

type Asked = {
  readonly person: Pick<Person, 'licences'>;
  readonly family: Family;
  readonly rules: PeopleRules;
  /** ISO date of the work. */
  readonly day: string;
};

/** The licence that somebody lacks for a record of a valve; undefined where none is asked for, or he has it. */
export function lackedLicence({ person, family, rules, day }: Asked): LicenceKind | undefined {
  const { licence } = families[family];
  if (licence === undefined || !rules.licences_asked.includes(licence)) return undefined;
  return holdsLicence(person, licence, day) ? undefined : licence;
}
