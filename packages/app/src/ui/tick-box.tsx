import Check from 'lucide-react-native/icons/check';
import { View } from '@/ui/kit';
import { useInk } from './use-ink';

/** The box of something that is ticked; what it stands beside is pressed, not the box. */
export function TickBox({ isTicked }: { readonly isTicked: boolean }) {
  const ink = useInk();
  return (
    <View
      width={26}
      height={26}
      borderRadius="$1"
      borderWidth={2}
      borderColor={isTicked ? '$verdigris' : '$muted'}
      backgroundColor={isTicked ? '$verdigris' : '$card'}
      alignItems="center"
      justifyContent="center"
    >
      {isTicked ? <Check size={18} strokeWidth={3} color={ink.onVerdigris} /> : null}
    </View>
  );
}
