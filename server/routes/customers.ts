import { Router } from 'express';
import { CustomerDto, EraseCustomerDto, type CustomerFile } from '../../contract/customer';
import { readDto } from '../../contract/readDto';
import { audit } from '../db/audit';
import { callsOfCustomer, eraseCustomer, exportCustomer } from '../db/customers';
import { onlyJson, valid } from '../input';
import { accountOf, onlyLeads, rowsOf } from '../people/asker';
import { addressOf } from '../people/wait';
import { RefusedRequest } from '../problems';

/** What a shop has of one customer. By POST, so that no log has a name. */
export function customerRoutes(): Router {
  const router = Router();
  const leads = [onlyLeads, onlyJson];

  router.post('/customers/find', ...leads, async (request, response) => {
    const { name } = valid(readDto(CustomerDto, request.body));
    response.json(await callsOfCustomer(rowsOf(response), name));
  });

  router.post('/customers/export', ...leads, async (request, response) => {
    const { name } = valid(readDto(CustomerDto, request.body));
    const calls = await rowsOf(response).transaction(async (queries) => {
      const found = await exportCustomer(queries, name);
      await audit(queries, {
        what: 'exported a customer’s data',
        person: accountOf(response).person,
        about: sayCalls(found.length),
        address: addressOf(request),
      });
      return found;
    });
    const madeAt = new Date().toISOString();
    response.json({
      format: 'yarrix-customer',
      version: 1,
      name,
      madeAt,
      calls,
    } satisfies CustomerFile);
  });

  router.post('/customers/erase', ...leads, async (request, response) => {
    const { name, calls } = valid(readDto(EraseCustomerDto, request.body));
    await rowsOf(response).transaction(async (queries) => {
      const erased = await eraseCustomer(queries, name);
      if (erased !== calls)
        throw new RefusedRequest(
          409,
          `there are ${sayCalls(erased)} of this customer now, not ${calls}: look at them again`,
        );
      // Who it was is what was to be forgotten.
      await audit(queries, {
        what: 'erased a customer’s data',
        person: accountOf(response).person,
        about: sayCalls(erased),
        address: addressOf(request),
      });
    });
    response.status(204).end();
  });

  return router;
}

const sayCalls = (count: number): string => `${count} ${count === 1 ? 'call' : 'calls'}`;
