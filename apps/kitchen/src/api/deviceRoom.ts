import { useQuery } from '@tanstack/react-query';

/** Over this share of the room that the browser gives, something is said. */
const NEARLY_FULL = 0.9;
const LOOK_EVERY_MS = 60_000;

async function deviceRoom() {
  const { usage = 0, quota = 0 } = (await navigator.storage?.estimate()) ?? {};
  return { usedBytes: usage, full: quota > 0 && usage / quota > NEARLY_FULL };
}

/** How much room this device has for what is kept on it. */
export const useDeviceRoom = () =>
  useQuery({
    queryKey: ['room'],
    queryFn: deviceRoom,
    refetchInterval: LOOK_EVERY_MS,
    networkMode: 'always',
  });
