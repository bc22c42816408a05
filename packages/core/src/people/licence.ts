import { z } from 'zod';
import { licenceKindSchema, type LicenceKind, type Person } from './person';

/** What the owner asks of those who make records. Local law comes first: he says here what it is. */
export const peopleRulesSchema = z.object({
  /** Licences without which a record of a valve that calls for one is neither begun nor signed. */
  licences_asked: z.array(licenceKindSchema).max(10),
});
export type PeopleRules = z.infer<typeof peopleRulesSchema>;

/** Gas, burners and refrigerants are for licensed hands nearly everywhere. */
export const defaultPeopleRules: PeopleRules = { licences_asked: ['gas', 'burner', 'refrigerant'] };

/** Whether somebody has a licence of this kind on a day. */
export const holdsLicence = (
  { licences }: Pick<Person, 'licences'>,
  kind: LicenceKind,
  day: string,
): boolean => licences.some((each) => each.kind === kind && each.valid_until >= day);
