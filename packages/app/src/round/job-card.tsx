import { zodResolver } from '@hookform/resolvers/zod';
import { jobFields, jobOf, jobWords, type Job } from '@holvek/core';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { XStack } from '@/ui/kit';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Row } from '@/ui/card';
import { FormField } from '@/ui/form-field';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted } from '@/ui/words';

const text = z.string().max(120);
const schema = z.object({ name: text, order: text, permit: text, client: text, contact: text });
type Texts = z.infer<typeof schema>;

const hints: Readonly<Partial<Record<keyof Job, string>>> = {
  permit: 'As it stands on the paper that was given out.',
  contact: 'A name, and a telephone.',
};

type Props = {
  readonly job: Job | undefined;
  readonly onChange: (job: Job | undefined) => void;
  /** What becomes of it. */
  readonly under: string;
};

/** For whom the work is done, and by whose leave: it stands on every sheet of it. */
export function JobCard({ job, onChange, under }: Props) {
  const [isOpen, setOpen] = useState(false);
  const told = jobFields.filter((field) => job?.[field] !== undefined);
  return (
    <Card testID="job">
      <XStack justifyContent="space-between" alignItems="center" gap="$2">
        <Heading>For whom</Heading>
        <WordButton onPress={() => setOpen(true)}>{job ? 'change' : 'tell'}</WordButton>
      </XStack>
      {told.map((field, i) => (
        <Row key={field} label={jobWords[field]} isLast={i === told.length - 1}>
          {job![field]!}
        </Row>
      ))}
      {job ? null : <Muted>{under}</Muted>}
      <BottomSheet
        isOpen={isOpen}
        title="For whom, and by whose leave"
        onClose={() => setOpen(false)}
      >
        <JobForm
          job={job}
          onKeep={(next) => {
            onChange(next);
            setOpen(false);
          }}
        />
      </BottomSheet>
    </Card>
  );
}

function JobForm({
  job,
  onKeep,
}: {
  readonly job: Job | undefined;
  readonly onKeep: (job: Job | undefined) => void;
}) {
  const { control, handleSubmit } = useForm<Texts>({
    resolver: zodResolver(schema),
    defaultValues: Object.fromEntries(
      jobFields.map((field) => [field, job?.[field] ?? '']),
    ) as Texts,
  });
  return (
    <>
      {jobFields.map((field) => (
        <FormField
          key={field}
          control={control}
          name={field}
          label={jobWords[field]}
          maxLength={120}
          {...(hints[field] ? { hint: hints[field] } : {})}
        />
      ))}
      <BigButton onPress={() => void handleSubmit((texts) => onKeep(jobOf(texts)))()}>
        Keep it
      </BigButton>
    </>
  );
}
