/** Comparisons in the words of a query's conditions, so that nobody above the store speaks the library's. */
import { Op } from 'sequelize';

export const below = (value: number) => ({ [Op.lt]: value });
export const above = (value: number) => ({ [Op.gt]: value });
export const not = (value: string) => ({ [Op.ne]: value });
export const upTo = (value: number) => ({ [Op.lte]: value });
export const known = () => ({ [Op.ne]: null });
/** After one value and up to another. */
export const within = (after: number, last: number) => ({ [Op.gt]: after, [Op.lte]: last });
