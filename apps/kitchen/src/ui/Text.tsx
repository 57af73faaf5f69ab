import { type ComponentProps, type Ref, createElement } from 'react';
import { Text as NativeText } from 'react-native';
import { useUnits } from '../reader/preferences';
import { type Said, shown } from '../reader/say';
import { atReadersSize } from './textSize';

interface TextProps extends Omit<ComponentProps<typeof NativeText>, 'children'> {
  children?: Said;
  ref?: Ref<NativeText>;
  /** As large as drawn whatever the reader has set: where there is no room and an icon says the same. */
  asDrawn?: boolean;
}

/** Every text of the app: what stands in it is said in the reader's units and language. */
export function Text({ children, style, asDrawn = false, ...props }: TextProps) {
  // Drawn again when the person reads in other units.
  useUnits();
  // Parts that stand side by side are no list: they need no keys.
  const parts = Array.isArray(children) ? (children as Said[]).map(shown) : [shown(children)];
  return createElement(NativeText, { ...props, style: asDrawn ? style : atReadersSize(style) }, ...parts);
}
