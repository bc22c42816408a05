import { createRoute, z } from '@hono/zod-openapi';
import { keptPictureSchema, photoSchema, pictureNameSchema, type Photo } from '@holvek/core';
import type { Store } from '../db/open';
import { NoPicture, Pictures } from '../db/pictures';
import { notFound, Problem, refusals } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { changeOf, documentsOf, sameId } from './documents';

const jpeg = z.any().openapi({ type: 'string', format: 'binary' });
const nameParam = z.object({ name: pictureNameSchema });

const takePicture = createRoute({
  method: 'put',
  path: '/pictures/{name}',
  summary: 'Keep a picture under the SHA-256 of its file',
  request: {
    params: nameParam,
    body: { required: true, content: { 'application/octet-stream': { schema: jpeg } } },
  },
  responses: {
    200: {
      description: 'Kept, without what the camera wrote into it',
      content: { 'application/json': { schema: keptPictureSchema } },
    },
    ...refusals,
  },
});

const givePicture = createRoute({
  method: 'get',
  path: '/pictures/{name}',
  summary: 'A picture, or a small one of it',
  request: {
    params: nameParam,
    query: z.object({ size: z.enum(['whole', 'small']).default('whole') }),
  },
  responses: {
    200: { description: 'The picture', content: { 'image/jpeg': { schema: jpeg } } },
    ...refusals,
  },
});

/** Pictures of valves and gauges: each a file that never changes, and a document that says what it shows. */
export function photoRoutes(store: Store) {
  const photos = documentsOf(store, 'photos', photoSchema);
  return newRouter()
    .openapi(getRoute('/photos', 'Every picture of a valve', z.array(photoSchema)), async (c) =>
      c.json(await photos.all(), 200),
    )
    .openapi(
      sendRoute('put', '/photos/{id}', 'Add a picture to a valve, or change what is said of it', {
        body: photoSchema,
        response: photoSchema,
      }),
      async (c) => {
        const photo = c.req.valid('json');
        sameId(c.req.param('id'), photo);
        await mustStand(store, photo);
        return c.json(await photos.put(photo, changeOf(c)), 200);
      },
    )
    .openapi(takePicture, async (c) => {
      const sent = new Uint8Array(await c.req.arrayBuffer());
      const { name } = c.req.valid('param');
      if (Pictures.nameOf(sent) !== name) throw new Problem(422, 'picture.other_digest');
      const kept = await store.pictures.keep(sent).catch((error: unknown) => {
        throw error instanceof NoPicture ? new Problem(422, 'picture.unreadable') : error;
      });
      return c.json(kept, 200);
    })
    .openapi(givePicture, async (c) => {
      const { name } = c.req.valid('param');
      const file = await store.pictures.read(name, c.req.valid('query').size);
      if (!file) throw notFound('picture', name);
      return c.body(new Uint8Array(file), 200, {
        'content-type': 'image/jpeg',
        // Its name is its digest: it never says anything else.
        'cache-control': 'private, max-age=31536000, immutable',
      });
    });
}

/** @throws Problem where its valve, or gauge, or its picture is not here, or it was of another */
async function mustStand(store: Store, photo: Photo): Promise<void> {
  const { tables, pictures } = store;
  const of =
    (await tables.valves.findByPk(photo.valve_id, { raw: true })) ??
    (await tables.gauges.findByPk(photo.valve_id, { raw: true }));
  if (!of) throw new Problem(422, 'valve.not_found', { id: photo.valve_id });
  if (!pictures.has(photo.picture)) throw new Problem(422, 'picture.not_found');
  const row = await tables.photos.findByPk(photo.id, { raw: true });
  if (!row) return;
  const before = photoSchema.parse(JSON.parse(row.body));
  if (before.valve_id !== photo.valve_id || before.picture !== photo.picture)
    throw new Problem(422, 'photo.other_picture');
}
