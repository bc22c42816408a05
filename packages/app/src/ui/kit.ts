/**
 * The parts of Tamagui that are used, each from its own package: the whole of it brings menus, sheets
 * and floating things that nobody opens to the first screen.
 */
export {
  createFont,
  createTamagui,
  createTokens,
  styled,
  TamaguiProvider,
  Text,
  useMedia,
  useTheme,
  View,
  type TamaguiTextElement,
} from '@tamagui/core';
export { Input, TextArea } from '@tamagui/input';
export { ScrollView } from '@tamagui/scroll-view';
export { Spinner } from '@tamagui/spinner';
export { XStack, YStack } from '@tamagui/stacks';
