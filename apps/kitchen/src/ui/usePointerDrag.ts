import { useRef } from 'react';

/** A place on a drawing, px from its corner. */
export interface Place {
  x: number;
  y: number;
}

interface Drag {
  /** Whether something is taken hold of there. */
  onDown: (place: Place) => boolean;
  onMove: (place: Place) => void;
  onUp: () => void;
  onCancel: () => void;
}

interface Pointed {
  currentTarget: unknown;
  nativeEvent: PointerEvent;
}

/** Properties of a View whose drawing is dragged by finger or mouse; it is held until the pointer is lifted, wherever that is. */
export function usePointerDrag({ onDown, onMove, onUp, onCancel }: Drag): object {
  const corner = useRef<Place>({ x: 0, y: 0 });
  const held = useRef(false);
  const place = ({ clientX, clientY }: PointerEvent): Place => ({
    x: clientX - corner.current.x,
    y: clientY - corner.current.y,
  });
  const end = (then: () => void) => () => {
    if (held.current) then();
    held.current = false;
  };
  return {
    onPointerDown: ({ currentTarget, nativeEvent }: Pointed) => {
      const target = currentTarget as HTMLElement;
      const { left, top } = target.getBoundingClientRect();
      corner.current = { x: left, y: top };
      held.current = onDown(place(nativeEvent));
      if (held.current) target.setPointerCapture(nativeEvent.pointerId);
    },
    onPointerMove: ({ nativeEvent }: Pointed) => {
      if (held.current) onMove(place(nativeEvent));
    },
    onPointerUp: end(onUp),
    onPointerCancel: end(onCancel),
  };
}
