import { useRouter } from 'expo-router';
import { Notice } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';

/** For an address that leads nowhere. */
export function NotFoundScreen() {
  const router = useRouter();
  return (
    <Screen title="Nothing here">
      <Notice
        title="Page not found"
        text="It may be old, or mistyped."
        action={{ label: 'To the formulas', onPress: () => router.replace('/formulas') }}
      />
    </Screen>
  );
}
