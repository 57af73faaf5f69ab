import { Barlow_400Regular } from '@expo-google-fonts/barlow/400Regular';
import { Barlow_600SemiBold } from '@expo-google-fonts/barlow/600SemiBold';
import { BarlowCondensed_600SemiBold } from '@expo-google-fonts/barlow-condensed/600SemiBold';
import { QueryClientProvider } from '@tanstack/react-query';
import { loadAsync } from 'expo-font';
import { Slot, usePathname } from 'expo-router';
import { type ReactNode, useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { appIsAt, keepApp } from '../../live/appUpdates';
import { followNews } from '../../live/news';
import { useKey } from '../../api/key';
import { useAccess } from '../../api/phoneQueries';
import { prefetchBook, queryClient } from '../../api/queries';
import { useLanguage } from '../../reader/language';
import { useThemeName } from '../../reader/preferences';
import { WhoseSheet } from '../../shared/WhoseSheet';
import { ThemeScope, useColours } from '../../ui/theme';
import { useSideways, useWide } from '../../ui/layout/useWide';
import { AlarmWatch } from './AlarmWatch';
import { HealthBanner } from './HealthBanner';
import { NoKeyPage } from './NoKeyPage';
import { KeyHelp } from './KeyHelp';
import { Navigation } from './Navigation';
import { SandboxBar } from './SandboxBar';
import { SkipLinks } from './SkipLinks';

// Both start before anything is drawn, and neither holds the page back: it is shown in a fallback face first.
prefetchBook();
void loadAsync({ Barlow_400Regular, Barlow_600SemiBold, BarlowCondensed_600SemiBold });

/** The first page has the network and the processor to itself for so long; then the app is kept on the device. */
const KEEP_AFTER_MS = 10_000;

const styles = StyleSheet.create({
  frame: { flex: 1 },
  wide: { flexDirection: 'row' },
  content: { flex: 1, minWidth: 0, minHeight: 0 },
});

interface ShellProps {
  /** Alarms beside those of running batches. */
  alarms?: ReactNode;
}

function Frame({ alarms }: ShellProps) {
  const wide = useWide();
  const sideways = useSideways();
  const colours = useColours();
  const { lost } = useKey();
  // Asked again when the stream ends: a phone whose key was taken away hears it so.
  useAccess();
  if (lost) {
    return (
      <View role="main" style={[styles.frame, { backgroundColor: colours.ground }]}>
        <NoKeyPage />
      </View>
    );
  }
  return (
    <View style={[styles.frame, (wide || sideways) && styles.wide, { backgroundColor: colours.ground }]}>
      <SkipLinks />
      {wide || sideways ? <Navigation as={wide ? 'rail' : 'slimRail'} /> : null}
      <View role="main" style={styles.content}>
        <SandboxBar />
        <HealthBanner />
        <AlarmWatch />
        {alarms}
        <Slot />
        <WhoseSheet />
      </View>
      {wide || sideways ? null : <Navigation as="bar" />}
      <KeyHelp />
    </View>
  );
}

/** What stands around every screen: fonts, theme, data, navigation. */
export function AppShell({ alarms }: ShellProps) {
  const theme = useThemeName();
  const language = useLanguage();
  const path = usePathname();
  useEffect(() => appIsAt(path), [path]);
  useEffect(followNews, []);
  useEffect(() => {
    const timer = setTimeout(keepApp, KEEP_AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  return (
    <SafeAreaProvider>
      <QueryClientProvider client={queryClient}>
        <ThemeScope name={theme}>
          {/* Everything is drawn anew in another language: nothing said before stays. */}
          {language === null ? null : <Frame key={language} alarms={alarms} />}
        </ThemeScope>
      </QueryClientProvider>
    </SafeAreaProvider>
  );
}
