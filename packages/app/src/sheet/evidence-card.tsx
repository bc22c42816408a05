import { faultWords, headWords, keyNameOf, type EvidenceFault, type Sheet } from '@holvek/core';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns/format';
import { api, Refusal } from '@/data/api';
import { useVerify } from '@/data/queries';
import { Card, Row } from '@/ui/card';
import { WordButton } from '@/ui/press';
import { Figure, Strong, Words } from '@/ui/words';

/** Who signed for what, where it was filed, and whether all that it rests on still holds. */
export function EvidenceCard({ sheet }: { readonly sheet: Sheet }) {
  const { id, hash, body } = sheet;
  const { data } = useQuery({
    queryKey: ['evidence', id],
    queryFn: () => api.evidence(id),
    enabled: !body.rehearsal,
  });
  return (
    <Card>
      <Row label="Signed by">{body.technician}</Row>
      {data?.key ? <Row label="Signature">{`by key ${data.key.slice(0, 12)}`}</Row> : null}
      {body.covers === undefined ? null : <Row label="Signed for">{`${body.covers} entries`}</Row>}
      <Row label="Cautions accepted">{String(body.cautions.length)}</Row>
      <RevisionRows body={body} />
      {data?.line ? (
        <Row label="Filed">{`line ${data.line.seq} of the log, ${format(data.line.at_ms, 'd MMM yyyy, HH:mm')}`}</Row>
      ) : null}
      {data?.line ? <Row label="Head">{headWords(data.line)}</Row> : null}
      {body.rehearsal ? <Row label="Record">none: practice</Row> : <RecordRow sheet={sheet} />}
      {data && data.after_signature.length > 0 ? (
        <>
          <Strong color="$onBrassSoft">After the signature</Strong>
          {data.after_signature.map(({ type, author, at_ms }) => (
            <Words key={`${type}-${at_ms}`}>
              {`${type.replaceAll('_', ' ')} by ${author}, ${format(at_ms, 'd MMM, HH:mm')}: not part of this sheet`}
            </Words>
          ))}
        </>
      ) : null}
      <Figure fontSize="$1" lineHeight="$1" color="$muted" style={{ wordBreak: 'break-all' }}>
        {hash}
      </Figure>
      {body.rehearsal ? null : (
        <WordButton
          onPress={() => window.location.assign(`/api/valves/${body.valve_id}/evidence.json`)}
        >
          take the whole record away
        </WordButton>
      )}
    </Card>
  );
}

/** Whose correction this is: name, time and signature of the reviser, beside those of the author. */
function RevisionRows({ body }: { readonly body: Sheet['body'] }) {
  const { corrects, revision } = body;
  if (!corrects) return <Row label="Revision">{String(revision)}</Row>;
  const { by, at_ms: atMs, signed, why } = corrects;
  const when = atMs === undefined ? '' : `, ${format(atMs, 'd MMM yyyy, HH:mm')}`;
  return (
    <>
      <Row label="Revision">{`${revision}: ${why}`}</Row>
      {by === undefined ? null : <Row label="Revised by">{`${by}${when}`}</Row>}
      <Row label="Reviser’s signature">
        {signed ? `by key ${keyNameOf(signed.key).slice(0, 12)}` : 'none: a revision of before'}
      </Row>
    </>
  );
}

/** Words, entries, signatures, chain and log of the valve, checked by the server now. */
function RecordRow({ sheet }: { readonly sheet: Sheet }) {
  const { data, error, isError } = useVerify(sheet.body.valve_id);
  if (data)
    return <Row label="Record">{`${data.sheets} sheets, ${data.entries} entries: all hold`}</Row>;
  if (!isError) return <Row label="Record">checking</Row>;
  const faults = error instanceof Refusal && Array.isArray(error.detail) ? error.detail : undefined;
  if (!faults) return <Row label="Record">not checked: no network</Row>;
  return (
    <>
      <Row label="Record">does not hold</Row>
      {(faults as EvidenceFault[]).map((fault) => (
        <Words key={faultWords(fault)} color="$vermilion" role="alert">
          {faultWords(fault)}
        </Words>
      ))}
    </>
  );
}
