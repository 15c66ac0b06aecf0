/** Where a paper is read: the address of a route that answers with a PDF, to be opened beside the page. */
import { pathOf, type ParamsOf } from '../../contract/calls.ts';

type PaperRoute = 'standing.report' | 'inspection.paper' | 'history.paper';

/** The address of a paper, with what is asked of it. */
export const paperUrl = <N extends PaperRoute>(name: N, params: ParamsOf<N>, form?: object): string =>
  `/api${pathOf(name, params)}${form ? `?with=${encodeURIComponent(JSON.stringify(form))}` : ''}`;
