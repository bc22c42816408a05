import { Link, usePathname, type Href } from 'expo-router';
import CalendarRange from 'lucide-react-native/icons/calendar-range';
import FileText from 'lucide-react-native/icons/file-text';
import Calculator from 'lucide-react-native/icons/calculator';
import Gauge from 'lucide-react-native/icons/gauge';
import Layers from 'lucide-react-native/icons/rows-4';
import ListOrdered from 'lucide-react-native/icons/list-ordered';
import Settings from 'lucide-react-native/icons/settings';
import Torus from 'lucide-react-native/icons/torus';
import type { ReactNode } from 'react';
import { useMedia, View, XStack, YStack } from '@/ui/kit';
import { ConflictSheet } from './conflict-sheet';
import { UpdateBanner } from './update-banner';
import { KeepingBanner } from './keeping-banner';
import { KeysHelp } from './keys-help';
import { LogBanner } from './log-banner';
import { useInk } from '@/ui/use-ink';
import { Press } from '@/ui/press';
import { Strong } from '@/ui/words';

const MAIN = 'main';

const places = [
  { href: '/', name: 'Round', Icon: ListOrdered },
  { href: '/season', name: 'Season', Icon: CalendarRange, isWideOnly: true },
  { href: '/valves', name: 'Valves', Icon: Torus },
  { href: '/ladder', name: 'Ladder', Icon: Layers },
  { href: '/bench', name: 'Bench', Icon: Calculator },
  { href: '/gauges', name: 'Gauges', Icon: Gauge },
  { href: '/sheets', name: 'Sheets', Icon: FileText },
  { href: '/settings', name: 'Settings', Icon: Settings },
] as const;

/** The places: under the thumb on a phone, down the side when there is room. A run hides them on a phone. */
export function Shell({ children }: { readonly children: ReactNode }) {
  const path = usePathname();
  const { wide: isWide, short: isShort } = useMedia();
  // A phone that lies on its side has no height to give away.
  const isBeside = isWide || isShort;
  const isInRun = path.startsWith('/runs/') || path.endsWith('/start');
  return (
    <View
      flex={1}
      flexDirection={isBeside ? 'row' : 'column-reverse'}
      backgroundColor="$background"
      height="100vh"
    >
      <SkipLink />
      {isWide || !isInRun ? <Places path={path} isBeside={isBeside} isShort={isShort} /> : null}
      <YStack
        flex={1}
        minHeight={0}
        minWidth={0}
        role="main"
        id={MAIN}
        tabIndex={-1}
        style={{ outline: 'none' }}
      >
        <KeepingBanner />
        <LogBanner />
        <UpdateBanner />
        {children}
      </YStack>
      <KeysHelp />
      <ConflictSheet />
    </View>
  );
}

/** For hands on a keyboard: past the places, straight to the page. Seen only while it has the focus. */
const SkipLink = () => (
  <Press
    onPress={() => document.getElementById(MAIN)?.focus()}
    position="absolute"
    zIndex="$2"
    top={-100}
    left={8}
    minHeight={44}
    justifyContent="center"
    paddingHorizontal="$3"
    borderRadius="$2"
    backgroundColor="$verdigris"
    focusStyle={{ top: 8 }}
  >
    <Strong color="$onVerdigris">Skip to the page</Strong>
  </Press>
);

function Places({
  path,
  isBeside,
  isShort,
}: {
  readonly path: string;
  readonly isBeside: boolean;
  readonly isShort: boolean;
}) {
  const ink = useInk();
  const Frame = isBeside ? YStack : XStack;
  return (
    <Frame
      role="navigation"
      aria-label="Places"
      backgroundColor="$card"
      borderColor="$line"
      {...(isBeside
        ? {
            width: '$rail',
            borderRightWidth: 1,
            paddingTop: isShort ? 0 : '$4',
            gap: isShort ? 0 : '$1',
          }
        : { borderTopWidth: 1 })}
    >
      {places
        .filter((place) => isBeside || !('isWideOnly' in place))
        .map(({ href, name, Icon }) => {
          const isHere = href === '/' ? path === '/' : path.startsWith(href);
          return (
            <Link
              key={href}
              href={href as Href}
              style={{ flex: isBeside ? undefined : 1, textDecorationLine: 'none' }}
              aria-current={isHere ? 'page' : undefined}
              aria-label={name}
            >
              <YStack
                alignItems="center"
                justifyContent="center"
                gap={isShort ? 0 : '$1'}
                minHeight={isShort ? 48 : 64}
                width="100%"
                backgroundColor={isBeside && isHere ? '$lane' : 'transparent'}
              >
                <Icon size={22} color={isHere ? ink.verdigrisDeep : ink.muted} />
                <Strong
                  fontSize="$1"
                  lineHeight="$1"
                  // Seven of them share a phone’s width: they grow only as far as that goes.
                  style={{ fontSize: 'min(0.75rem, 3.1vw)' }}
                  color={isHere ? '$verdigrisDeep' : '$muted'}
                >
                  {name}
                </Strong>
              </YStack>
            </Link>
          );
        })}
    </Frame>
  );
}
