import { Validator } from '@seriousme/openapi-schema-validator';
import { expect } from 'chai';
import { v7 } from 'uuid';
import { TOKEN_AREAS } from '../../contract/people/tokens.ts';
import { AREAS } from '../../contract/routes.ts';
import { ROUTES } from '../../contract/routes.ts';
import request from 'supertest';
import { DAY_MS, type Flat, hire, type House, openFlat } from './house.ts';

/** Programs that come with a token, and the document that tells them how. */
describe('Programs', () => {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat());
  });
  after(() => house.close());

  const make = async (form: object): Promise<string> =>
    (await house.manager.post('/tokens', { id: v7(), name: 'Accounts', areas: ['register'], ...form }).expect(200)).body
      .token;
  const as = (token: string, method: 'get' | 'post' | 'delete', path: string, form?: object) => {
    const sent = request(house.app)[method](`/api${path}`).set('authorization', `Bearer ${token}`);
    return method === 'get' ? sent : sent.set('idempotency-key', v7()).send(form ?? {});
  };

  it('read the whole door as an OpenAPI 3.1 document that a validator accepts', async () => {
    const { body } = await house.caller().get('/openapi.json').expect(200);
    const found = await new Validator().validate(body);
    expect(found.errors ?? []).to.deep.equal([]);
    expect(found.valid).to.equal(true);
    expect(body.openapi).to.equal('3.1.0');
    const operations = Object.values(body.paths as Record<string, Record<string, { operationId: string }>>).flatMap(
      (path) => Object.values(path).map(({ operationId }) => operationId),
    );
    expect(operations.sort()).to.deep.equal(Object.keys(ROUTES).sort());
    const made = body.paths['/buildings'].post;
    expect(made.requestBody.content['application/json'].schema).to.deep.equal({
      type: 'object',
      properties: {
        id: { type: 'string', maxLength: 36 },
        propertyId: { type: 'string', maxLength: 36 },
        name: { type: 'string', maxLength: 120 },
      },
      required: ['id', 'propertyId', 'name'],
    });
    expect(made.description).to.contain('For manager.');
    // What the door answers with a file takes its question as well.
    const labels = body.paths['/labels/{scope}/{id}'].get.parameters as { name: string }[];
    expect(labels.map(({ name }) => name)).to.deep.equal(['scope', 'id', 'with']);
  });

  it('read with a token within what it was made for, and write only where it may', async () => {
    const reader = await make({});
    await as(reader, 'get', '/homes').expect(200);
    await as(reader, 'get', '/people').expect(403);
    await as(reader, 'get', '/faults').expect(403);
    const building = () => ({ id: v7(), propertyId: flat.propertyId, name: 'Made by a program' });
    await as(reader, 'post', '/buildings', building()).expect(403);
    const writer = await make({ writes: true });
    // Without a cookie there is no foreign page to guard against.
    await as(writer, 'post', '/buildings', building()).expect(200);
    await as(writer, 'post', '/tokens', { id: v7(), name: 'More', areas: ['register'] }).expect(403);
    await as('dewline_made-up', 'get', '/homes').expect(401);
    await house.manager.post('/tokens', { id: v7(), name: 'All', areas: ['people'] }).expect(422);
  });

  it('can be given every area of the contract except accounts, so that each of its routes can be reached', async () => {
    for (const area of TOKEN_AREAS) await make({ areas: [area] });
    expect([...TOKEN_AREAS, 'people'].sort()).to.deep.equal(Object.keys(AREAS).sort());
    const planner = await make({ areas: ['rounds'] });
    await as(planner, 'get', '/plan').expect(200);
    await as(planner, 'get', '/stock').expect(403);
  });

  it('are out when the token is revoked, its day is over, or whoever made it is let go', async () => {
    const token = await make({});
    const { tokens } = (await house.manager.get('/tokens').expect(200)).body;
    expect(tokens[0]).to.include({ name: 'Accounts', by: 'R. Okonjo-Vane', writes: false });
    expect(JSON.stringify(tokens)).not.to.contain(token);
    await house.manager.delete(`/tokens/${tokens[0].id}`).expect(200);
    await as(token, 'get', '/homes').expect(401);
    const short = await make({ days: 1 });
    house.clock.now += 2 * DAY_MS;
    await as(short, 'get', '/homes').expect(401);
    house.clock.now -= 2 * DAY_MS;
    const { caller, id } = await hire(house, 'manager', 'marrow@saltmarsh.example');
    const theirs = (await caller.post('/tokens', { id: v7(), name: 'Mine', areas: ['register'] }).expect(200)).body
      .token;
    await as(theirs, 'get', '/homes').expect(200);
    await house.manager.put(`/people/${id}`, {
      name: 'T. Hollis',
      email: 'marrow@saltmarsh.example',
      roles: ['staff'],
    });
    // A role that is lost is lost to the token, too: staff read homes, but register nothing.
    await as(theirs, 'get', '/register/known').expect(403);
    await house.manager.post(`/people/${id}/disable`).expect(200);
    await as(theirs, 'get', '/homes').expect(401);
    expect(await house.env.store.db.accessToken.count({ id: theirs })).to.equal(0);
  });
});
