import { SCHOOLS } from '../bearing/schools';
import { FIRST_ORDERS, type FirstOrder } from './firstOrders';

type Named = Pick<FirstOrder, 'id' | 'name' | 'about'>;

/** What a bearing plan is made by is an order of work too; the circle has one of its own. */
export const BEARING_ORDERS: readonly Named[] = SCHOOLS.filter(({ id }) => id !== 'circle').map(
	({ id, name, about }) => ({ id, name, about })
);

/** Every way in which the temperament's notes may follow each other. */
export const TEMPERAMENT_ORDERS: readonly Named[] = [...FIRST_ORDERS, ...BEARING_ORDERS];
