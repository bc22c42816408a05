import type { ReactNode } from 'react';
import { Sheet, XStack, YStack } from 'tamagui';
import { WordButton } from './press';
import { Heading } from './words';

type Props = {
  readonly isOpen: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
};

/** A sheet from the bottom edge, within reach of the thumb; the page behind keeps its place. */
export const BottomSheet = ({ isOpen, title, onClose, children }: Props) => (
  <Sheet
    modal
    open={isOpen}
    onOpenChange={(open: boolean) => (open ? undefined : onClose())}
    dismissOnSnapToBottom
    snapPointsMode="fit"
    zIndex={1000}
    transition="quick"
  >
    <Sheet.Overlay
      backgroundColor="$color"
      opacity={0.35}
      transition="quick"
      enterStyle={{ opacity: 0 }}
      exitStyle={{ opacity: 0 }}
    />
    <Sheet.Frame
      backgroundColor="$background"
      borderTopLeftRadius="$4"
      borderTopRightRadius="$4"
      padding="$4"
      maxWidth="$column"
      width="100%"
      alignSelf="center"
      marginHorizontal="auto"
      role="dialog"
      aria-label={title}
    >
      <XStack justifyContent="space-between" alignItems="center">
        <Heading>{title}</Heading>
        <WordButton onPress={onClose} label="Close">
          Close
        </WordButton>
      </XStack>
      <Sheet.ScrollView maxHeight="70vh">
        <YStack gap="$3" paddingBottom="$4">
          {isOpen ? children : null}
        </YStack>
      </Sheet.ScrollView>
    </Sheet.Frame>
  </Sheet>
);
