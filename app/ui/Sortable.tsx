import {
  closestCenter,
  DndContext,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { createElement, useState, type KeyboardEvent, type ReactNode } from 'react';
import { touch, useTheme } from '../theme/theme';
import { Icon } from './Icon';
import { Type } from './Type';

interface Item {
  id: string;
  /** What it is called, for who cannot see it. */
  name: string;
}

interface Props<T extends Item> {
  items: readonly T[];
  /** Puts one where another stands; what is between moves up. */
  move: (from: number, to: number) => void;
  row: (item: T, index: number) => ReactNode;
}

/** A finger that only comes past drags nothing. */
const BEGINS_AFTER = { activationConstraint: { distance: 5 } };
const STEPS: Readonly<Record<string, number>> = { ArrowUp: -1, ArrowDown: 1 };

/** Things in an order that is changed by dragging one by its handle, or by the arrow keys on the handle. */
export function Sortable<T extends Item>({ items, move, row }: Props<T>) {
  const [said, setSaid] = useState('');
  const sensors = useSensors(useSensor(PointerSensor, BEGINS_AFTER));
  const put = (from: number, to: number): void => {
    const item = items[from];
    if (!item || from === to || to < 0 || to >= items.length) return;
    move(from, to);
    setSaid(`${item.name}: place ${to + 1} of ${items.length}.`);
  };
  const placeOf = (id: string | number) => items.findIndex((each) => each.id === id);
  const ended = ({ active, over }: DragEndEvent): void => {
    if (over) put(placeOf(active.id), placeOf(over.id));
  };
  return (
    <>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={ended}>
        <SortableContext items={items.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
          {items.map((item, i) => (
            <Row key={item.id} item={item} step={(by) => put(i, i + by)}>
              {row(item, i)}
            </Row>
          ))}
        </SortableContext>
      </DndContext>
      <Type size="small" tone="soft" role="status" testID="put-where">
        {said}
      </Type>
    </>
  );
}

function Row({
  item,
  step,
  children,
}: {
  item: Item;
  step: (by: number) => void;
  children: ReactNode;
}) {
  const palette = useTheme();
  const sortable = useSortable({ id: item.id });
  const { listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    sortable;
  const handle = createElement(
    'button',
    {
      ...listeners,
      onKeyDown: (event: KeyboardEvent) => {
        const by = STEPS[event.key];
        if (by === undefined) return;
        event.preventDefault();
        step(by);
      },
      ref: setActivatorNodeRef,
      type: 'button',
      'aria-label': `Move ${item.name}: arrow up, arrow down`,
      'data-testid': `move-${item.id}`,
      style: {
        ...{ width: touch.button, minHeight: touch.button, flexShrink: 0, cursor: 'grab' },
        ...{ border: 0, background: 'none', padding: 0, touchAction: 'none' },
      },
    },
    <Icon name="menu" size={22} color={palette.soft} />,
  );
  const lifted = { zIndex: 1, background: palette.sunk, boxShadow: `0 0 0 2px ${palette.ink}` };
  return createElement(
    'div',
    {
      ref: setNodeRef,
      style: {
        ...{ display: 'flex', alignItems: 'center', position: 'relative', transition },
        ...(transform && { transform: `translate3d(0, ${Math.round(transform.y)}px, 0)` }),
        ...(isDragging && lifted),
      },
    },
    handle,
    createElement('div', { style: { flexGrow: 1, minWidth: 0 } }, children),
  );
}
