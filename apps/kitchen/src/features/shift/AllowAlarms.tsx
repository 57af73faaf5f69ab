import { useState } from 'react';
import { Action } from '../../ui/input/actions';

const permission = (): NotificationPermission | 'none' =>
  typeof Notification === 'undefined' ? 'none' : Notification.permission;

/** Asks once whether alarms may come while the page is hidden; nothing where the browser cannot or was asked. */
export function AllowAlarms() {
  const [state, setState] = useState(permission);
  if (state !== 'default') return null;
  const ask = () => void Notification.requestPermission().then(setState);
  return <Action label="Allow alarms while hidden" icon="bell" onPress={ask} />;
}
