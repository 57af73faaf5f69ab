import { say } from '../../reader/say';
import { Link, usePathname } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from '../../ui/Text';
import { Surface } from 'react-native-paper';
import { Icon, type IconName } from '../../ui/Icon';
import { useColours } from '../../ui/theme';
import { FONT, SIDEWAYS, SPACE } from '../../ui/tokens';

interface Place {
  href: '/shift' | '/formulas' | '/bench' | '/griddle' | '/log' | '/settings';
  name: string;
  icon: IconName;
  /** Addresses that belong to this place. */
  covers: readonly string[];
}

const PLACES: readonly Place[] = [
  { href: '/shift', name: 'Shift', icon: 'shift', covers: ['/shift', '/plans', '/stock'] },
  { href: '/formulas', name: 'Formulas', icon: 'formulas', covers: ['/formulas', '/write', '/ingredients'] },
  { href: '/bench', name: 'Bench', icon: 'bench', covers: ['/bench', '/plan/'] },
  { href: '/griddle', name: 'Griddle', icon: 'flame', covers: ['/griddle'] },
  { href: '/log', name: 'Log', icon: 'log', covers: ['/log', '/lessons', '/charts'] },
  { href: '/settings', name: 'Settings', icon: 'settings', covers: ['/settings'] },
];

const RAIL_WIDTH = 116;
const BAR_HEIGHT = 68;

const styles = StyleSheet.create({
  bar: { flexDirection: 'row', height: BAR_HEIGHT, borderTopWidth: 1 },
  rail: { width: RAIL_WIDTH, borderRightWidth: 1, paddingVertical: SPACE.l, gap: SPACE.s },
  lowRail: { width: SIDEWAYS.railPx, paddingVertical: 0, gap: 0 },
  brand: {
    fontFamily: FONT.figure,
    fontSize: 24,
    lineHeight: 24,
    textAlign: 'center',
    marginBottom: SPACE.l,
  },
  place: { alignItems: 'center', justifyContent: 'center', gap: 2 },
  barPlace: { flex: 1, minWidth: 0, height: '100%' },
  railPlace: { height: 64 },
  lowPlace: { flex: 1, minHeight: 0 },
  mark: { height: 3, width: 36 },
  // A longer word of another language takes a second line rather than its neighbour's place.
  word: { fontSize: 14, lineHeight: 16, maxWidth: '100%', textAlign: 'center' },
});

/**
 * The places of the work: a bar under the thumb on a phone, a rail on a wide screen and on a phone on its side. Links on Paper's surface: Paper's own
 * bar is made of buttons without an address, and does not say which place one is at.
 */
export function Navigation({ as }: { as: 'bar' | 'rail' | 'slimRail' }) {
  const rail = as !== 'bar';
  const colours = useColours();
  const path = usePathname();
  return (
    <Surface
      mode="flat"
      role="navigation"
      aria-label={say('Places')}
      style={[
        rail ? styles.rail : styles.bar,
        as === 'slimRail' && styles.lowRail,
        { borderColor: rail ? colours.rule : colours.ink },
      ]}
    >
      {as === 'rail' ? <Text style={[styles.brand, { color: colours.ink }]}>{'Kettle\nScale'}</Text> : null}
      {PLACES.map(({ href, name, icon, covers }) => {
        const here = covers.some((start) => path.startsWith(start));
        const colour = here ? colours.ink : colours.soot;
        return (
          <Link
            key={href}
            href={href}
            style={StyleSheet.flatten([
              styles.place,
              as === 'bar' ? styles.barPlace : as === 'rail' ? styles.railPlace : styles.lowPlace,
              { display: 'flex', flexDirection: 'column' },
            ])}
            {...(here ? { 'aria-current': 'page' as const } : {})}
          >
            <Icon name={icon} colour={colour} />
            <View style={[styles.mark, { backgroundColor: here ? colours.ember : 'transparent' }]} />
            <Text
              asDrawn={as !== 'rail'}
              style={[styles.word, { color: colour, fontFamily: here ? FONT.strong : FONT.text }]}
            >
              {name}
            </Text>
          </Link>
        );
      })}
    </Surface>
  );
}
