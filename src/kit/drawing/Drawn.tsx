import { useLayoutEffect, useRef, useState } from 'react';
import { svgElement, svgOf, type Primitive, type SvgElement } from '../../core';
import { onScreen } from './tones';

/** The elements of primitives that were in the page before. */
const elementsBefore = new WeakMap<readonly Primitive[], SvgElement[]>();
function elementsOf(primitives: readonly Primitive[]): SvgElement[] {
  let found = elementsBefore.get(primitives);
  if (found === undefined) {
    found = primitives.map((p) => svgElement(p, onScreen));
    elementsBefore.set(primitives, found);
  }
  return found;
}

/** Writes what another element of the same kind says differently. */
function change(el: Element, was: SvgElement, now: SvgElement): void {
  for (const name in was.attributes) if (!(name in now.attributes)) el.removeAttribute(name);
  for (const name in now.attributes) {
    const value = now.attributes[name]!;
    if (value !== was.attributes[name]) el.setAttribute(name, String(value));
  }
  if (now.text !== was.text) el.textContent = now.text;
}

/** What stands in an element of the page. */
const standsIn = new WeakMap<Element, readonly Primitive[]>();

/** Draws in an element: of what stands there already only what differs is written, since a key mostly changes one part. */
export function drawIn(el: Element, primitives: readonly Primitive[]): void {
  const was = standsIn.get(el);
  if (was === primitives) return;
  standsIn.set(el, primitives);
  const [before, now] = [was && elementsOf(was), elementsOf(primitives)];
  if (before?.length === now.length && before.every((e, i) => e.tag === now[i]!.tag))
    before.forEach((e, i) => change(el.children[i]!, e, now[i]!));
  else el.innerHTML = svgOf(primitives, onScreen);
}

/** Primitives in the page. */
export function Drawn({ primitives }: { primitives: readonly Primitive[] }) {
  const host = useRef<SVGGElement>(null);
  // What React is given stays the first drawing: it would write all of it again.
  const [first] = useState(() => ({ primitives, html: { __html: svgOf(primitives, onScreen) } }));
  useLayoutEffect(() => {
    const el = host.current!;
    if (!standsIn.has(el)) standsIn.set(el, first.primitives);
    drawIn(el, primitives);
  }, [first, primitives]);
  return <g ref={host} dangerouslySetInnerHTML={first.html} />;
}
