import { type ComponentProps, createElement } from 'react';
import { Text as NativeText } from 'react-native-svg';
import { type Said, shown } from '../../reader/say';

interface SvgTextProps extends Omit<ComponentProps<typeof NativeText>, 'children'> {
  children?: Said;
}

/** Every text inside a drawing: what stands in it is said in the reader's units and language. */
export function SvgText({ children, ...props }: SvgTextProps) {
  const parts = Array.isArray(children) ? (children as Said[]).map(shown) : [shown(children)];
  return createElement(NativeText, props, ...parts);
}
