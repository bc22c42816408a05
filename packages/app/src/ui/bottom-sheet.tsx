import type { ReactNode } from 'react';
import { Modal } from 'react-native';
import { ScrollView, View, XStack, YStack } from '@/ui/kit';
import { Press, WordButton } from './press';
import { Heading } from './words';

type Props = {
  readonly isOpen: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
};

/** A sheet from the bottom edge, within reach of the thumb; the page behind keeps its place. */
export const BottomSheet = ({ isOpen, title, onClose, children }: Props) => (
  <Modal
    transparent
    visible={isOpen}
    onRequestClose={onClose}
    animationType="none"
    aria-label={title}
  >
    <YStack flex={1} justifyContent="flex-end" alignItems="center">
      <Press
        aria-label="Close, back to the page"
        tabIndex={-1}
        position="absolute"
        inset={0}
        backgroundColor="#17231F"
        opacity={0.45}
        pressStyle={{ opacity: 0.45 }}
        onPress={onClose}
      />
      <View
        position="relative"
        zIndex={1}
        backgroundColor="$background"
        borderTopLeftRadius="$4"
        borderTopRightRadius="$4"
        borderWidth={1}
        borderColor="$line"
        paddingHorizontal="$4"
        paddingTop="$2"
        width="100%"
        maxWidth="$column"
        maxHeight="88%"
      >
        <XStack justifyContent="space-between" alignItems="center">
          <Heading flexShrink={1}>{title}</Heading>
          <WordButton onPress={onClose}>Close</WordButton>
        </XStack>
        <ScrollView>
          <YStack gap="$3" paddingTop="$2" paddingBottom="$4">
            {children}
          </YStack>
        </ScrollView>
      </View>
    </YStack>
  </Modal>
);
