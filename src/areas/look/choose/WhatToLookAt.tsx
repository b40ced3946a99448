import { useEffect, type ComponentProps } from 'react';
import { WhichItem } from './WhichItem';
import { WorthALook } from './WorthALook';

type Props = ComponentProps<typeof WorthALook> & ComponentProps<typeof WhichItem> & { onStands: () => void };

/**
 * What is worth a look, and any other item: with their lists to type into the heavier half of the mat’s first page, and
 * fetched while the device lays out the evening. `onStands` is called once it can be pressed.
 */
export default function WhatToLookAt({ onStands, line, onPlan, onLook, ...which }: Props) {
  useEffect(onStands, [onStands]);
  const { kit, items, people } = which;
  return (
    <>
      <WorthALook kit={kit} items={items} people={people} line={line} onPlan={onPlan} onLook={onLook} />
      <WhichItem {...which} />
    </>
  );
}
