import '@/words/zod-setup';
import { AtkinsonHyperlegibleMono_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-mono/400Regular';
import { AtkinsonHyperlegibleMono_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-mono/700Bold';
import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { FontDisplay, useFonts } from 'expo-font';
import { Slot, usePathname } from 'expo-router';
import { useEffect } from 'react';
import { useColorScheme } from 'react-native';
import { TamaguiProvider, View } from '@/ui/kit';
import { keepOfflineCopy } from '@/data/app-update';
import { listenForLaunches } from '@/data/launched-file';
import { KEEP_MS, keepsWhatItHas, persister, queryClient } from '@/data/queries';
import { startSync } from '@/data/store';
import { WhoIsHere } from '@/people/who-is-here';
import { usePreferences } from '@/prefs/preferences';
import { Guarded } from '@/shell/guarded';
import { Shell } from '@/shell/shell';
import { config } from '@/theme/tamagui.config';

/** Letters of the system until the file is here, and where it never comes. */
const swapped = (uri: number) => ({ uri, display: FontDisplay.SWAP });
const fonts = {
  AtkinsonHyperlegibleMono_400Regular: swapped(AtkinsonHyperlegibleMono_400Regular),
  AtkinsonHyperlegibleMono_700Bold: swapped(AtkinsonHyperlegibleMono_700Bold),
  AtkinsonHyperlegibleNext_400Regular: swapped(AtkinsonHyperlegibleNext_400Regular),
  AtkinsonHyperlegibleNext_700Bold: swapped(AtkinsonHyperlegibleNext_700Bold),
};

/** The frame of the house; a client who has an address for his sheets sees them, and nothing of it. */
function Frame() {
  if (usePathname().startsWith('/client/'))
    return (
      <View flex={1} height="100vh" role="main" backgroundColor="$background">
        <Guarded>
          <Slot />
        </Guarded>
      </View>
    );
  return (
    <Shell>
      <Guarded>
        <WhoIsHere>
          <Slot />
        </WhoIsHere>
      </Guarded>
    </Shell>
  );
}

/** Providers, fonts and the frame around every screen. */
export default function Layout() {
  useFonts(fonts);
  const { theme, textPercent } = usePreferences();
  const system = useColorScheme();
  const chosen = theme === 'system' ? (system === 'dark' ? 'dark' : 'light') : theme;
  useEffect(() => {
    startSync();
    listenForLaunches();
    if (process.env.NODE_ENV === 'production') void keepOfflineCopy();
  }, []);
  useEffect(() => {
    document.documentElement.style.fontSize = `${textPercent}%`;
  }, [textPercent]);
  useEffect(() => {
    document.documentElement.lang = 'en';
    document.documentElement.style.colorScheme = chosen;
  }, [chosen]);
  return (
    <TamaguiProvider config={config} defaultTheme={chosen} key={chosen}>
      <PersistQueryClientProvider
        client={queryClient}
        persistOptions={{
          persister,
          maxAge: KEEP_MS,
          buster: '1',
          dehydrateOptions: keepsWhatItHas,
        }}
      >
        <Frame />
      </PersistQueryClientProvider>
    </TamaguiProvider>
  );
}
