import { View } from 'react-native';
import { createElement } from 'react';
import { later } from './later';

export type { Dragged, SortRow } from './Drag';

const parts = () => import('./Drag');
// fetched as soon as a room that drags is; one that does not come is asked for again when it is drawn
void parts().catch(() => undefined);
/** What is dragged comes here: nothing below jumps when it does. */
const coming = createElement(View, { className: 'min-h-screen' });
export const DragPlane = later(() => parts().then((m) => m.DragPlane), coming);
export const SortList = later(() => parts().then((m) => m.SortList), coming);
