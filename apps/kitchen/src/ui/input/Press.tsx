import type { ComponentProps, ReactNode } from 'react';
import { TouchableRipple } from 'react-native-paper';

interface PressProps extends Omit<ComponentProps<typeof TouchableRipple>, 'children'> {
  children?: ReactNode;
}

/** Whatever can be pressed and is no button of Paper's: its ripple, around as many parts as it takes. */
export const Press = ({ children, ...props }: PressProps) => (
  <TouchableRipple {...props}>
    <>{children}</>
  </TouchableRipple>
);
