import { type ReactNode, createContext, useContext } from 'react';
// `DefaultTheme` is known to Paper's import plugin; `MD3LightTheme`, the same thing, would pull in all of Paper.
import { DefaultTheme, PaperProvider, configureFonts } from 'react-native-paper';
import { PaperIcon } from './Icon';
import { stillness } from './stillness';
import { COLOURS, type Colours, FONT } from './tokens';
import type { ThemeName } from '../reader/preferences';

const ColoursContext = createContext<Colours>(COLOURS.paper);

/** The colours of the theme this part of the screen is in. */
export const useColours = (): Colours => useContext(ColoursContext);

/** Paper divides its corner by this much; the product is the smallest that still looks cut, not rounded. */
const ROUNDNESS = 0.6;

const FONTS = configureFonts({ config: { fontFamily: FONT.text, letterSpacing: 0 } });
/** Sizes in which Paper's calendar sets its days and its month, to be read and hit with a wet finger. */
const CALENDAR = {
  bodySmall: { ...FONTS.bodySmall, fontSize: 18, lineHeight: 24 },
  titleSmall: { ...FONTS.titleSmall, fontFamily: FONT.strong, fontSize: 18, lineHeight: 24 },
};

/** Paper's Material look ends here: our colours, our type, square corners, no shadows. */
function paperTheme(name: ThemeName) {
  const c = COLOURS[name];
  return {
    ...DefaultTheme,
    dark: name === 'iron',
    roundness: ROUNDNESS,
    fonts: { ...FONTS, ...CALENDAR },
    colors: {
      ...DefaultTheme.colors,
      primary: c.ember,
      onPrimary: c.onEmber,
      primaryContainer: c.surface,
      onPrimaryContainer: c.ink,
      secondary: c.soot,
      onSecondary: c.surface,
      secondaryContainer: c.ink,
      onSecondaryContainer: c.ground,
      tertiary: c.water,
      background: c.ground,
      onBackground: c.ink,
      surface: c.surface,
      onSurface: c.ink,
      surfaceVariant: c.surface,
      onSurfaceVariant: c.soot,
      surfaceDisabled: c.idle,
      onSurfaceDisabled: c.onIdle,
      outline: c.soot,
      outlineVariant: c.rule,
      error: c.plum,
      onError: c.surface,
      inverseSurface: c.ink,
      inverseOnSurface: c.ground,
      inversePrimary: c.maize,
      elevation: {
        level0: 'transparent',
        level1: c.surface,
        level2: c.surface,
        level3: c.surface,
        level4: c.surface,
        level5: c.surface,
      },
      backdrop: 'rgba(36, 33, 29, 0.55)',
    },
  };
}

/** A press is answered where the finger is, unless things should not move. */
const SETTINGS = { icon: PaperIcon, rippleEffectEnabled: !stillness() };

const THEMES = { paper: paperTheme('paper'), iron: paperTheme('iron') };

/** Puts what is inside into a theme; the griddle is always iron, whatever the rest is. */
export function ThemeScope({ name, children }: { name: ThemeName; children: ReactNode }) {
  return (
    <ColoursContext.Provider value={COLOURS[name]}>
      <PaperProvider theme={THEMES[name]} settings={SETTINGS}>
        {children}
      </PaperProvider>
    </ColoursContext.Provider>
  );
}
