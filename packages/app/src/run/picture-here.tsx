import type { PhotoSubject } from '@holvek/core';
import { useDesk } from '@/desk/use-desk';
import { AddPhoto } from '@/photo/add-photo-sheet';
import { Words } from '@/ui/words';

/** A picture in the middle of the work: it stands on the sheet, beside the reading that it shows. */
export function PictureHere({ onDone }: { readonly onDone: () => void }) {
  const { run, view, add, units } = useDesk();
  const stepId = view.step?.id;
  const last = run.readings.at(-1);
  if (stepId === undefined) return null;
  const keep = (picture: string, shows: PhotoSubject) => {
    const of = shows === 'gauge' && last ? { of_reading: last.eventId } : {};
    void add({ type: 'pictured', step_id: stepId, picture, shows, ...of }).then(
      (kept) => kept && onDone(),
    );
  };
  const tag = last && run.gauges[last.role]?.tag;
  return (
    <>
      <Words>
        {last
          ? `What the gauge showed goes with the last reading: ${tag ?? 'the gauge'} at ${units.withUnit(last.reading.si)}.`
          : 'It stands on the sheet, with when and by whom it was taken.'}
      </Words>
      <AddPhoto valveId={run.started.valve_id} first={last ? 'gauge' : 'found'} onAdded={keep} />
    </>
  );
}
