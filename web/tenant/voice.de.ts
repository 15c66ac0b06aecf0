/** What a tenant’s page says in German. */
import fields from '../../contract/form/de.json' with { type: 'json' };
import doing from './de.json' with { type: 'json' };

export const tenantVoiceDe = { ...fields, ...doing };
