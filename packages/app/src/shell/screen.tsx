import { useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import { useEffect, type ReactNode } from 'react';
import { ScrollView, XStack, YStack } from '@/ui/kit';
import { PracticeBand } from './practice-band';
import { useInk } from '@/ui/use-ink';
import { Press } from '@/ui/press';
import { Muted, Title } from '@/ui/words';

type Props = {
  readonly title: string;
  readonly under?: string;
  readonly right?: ReactNode;
  readonly back?: boolean;
  readonly footer?: ReactNode;
  /** Takes two columns where there is room. */
  readonly wide?: boolean;
  /** It stands beside a list: the list's own head names the page. */
  readonly isPane?: boolean;
  /** It belongs to practice: a band over it says so. */
  readonly practice?: boolean;
  readonly children: ReactNode;
};

/** A page: its head, what scrolls, and its actions under the thumb. */
export const Screen = ({
  title,
  under,
  right,
  back = false,
  footer,
  wide = false,
  isPane = false,
  practice = false,
  children,
}: Props) => (
  <YStack flex={1} minHeight={0}>
    {practice ? <PracticeBand /> : null}
    <ScrollView flex={1} contentContainerStyle={{ paddingBottom: 24 }}>
      <YStack
        gap="$3"
        padding="$4"
        width="100%"
        maxWidth={wide ? '$columns' : '$column'}
        alignSelf="center"
      >
        <Head
          title={title}
          {...(under ? { under } : {})}
          right={right}
          back={back}
          isPane={isPane}
        />
        {children}
      </YStack>
    </ScrollView>
    {footer ? (
      <YStack backgroundColor="$card" borderTopWidth={1} borderColor="$line" padding="$3">
        <XStack gap="$2" width="100%" maxWidth="$column" alignSelf="center">
          {footer}
        </XStack>
      </YStack>
    ) : null}
  </YStack>
);

export function Head({
  title,
  under,
  right,
  back,
  isPane = false,
}: Pick<Props, 'title' | 'under' | 'right' | 'back' | 'isPane'>) {
  const router = useRouter();
  const ink = useInk();
  useEffect(() => {
    if (!isPane) document.title = `${title} · Holvek`;
  }, [isPane, title]);
  return (
    <XStack justifyContent="space-between" alignItems="flex-start" gap="$2">
      <XStack gap="$1" alignItems="center" flexShrink={1}>
        {back ? (
          <Press
            aria-label="Back"
            width={44}
            height={44}
            marginLeft={-12}
            alignItems="center"
            justifyContent="center"
            onPress={() => (router.canGoBack() ? router.back() : router.replace('/'))}
          >
            <ChevronLeft size={26} color={ink.color} />
          </Press>
        ) : null}
        <YStack flexShrink={1}>
          <Title render={isPane ? 'h2' : 'h1'}>{title}</Title>
          {under ? <Muted>{under}</Muted> : null}
        </YStack>
      </XStack>
      {right}
    </XStack>
  );
}
