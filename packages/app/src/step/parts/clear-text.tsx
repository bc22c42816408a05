import { Text, type TextProps } from 'react-native-svg';

/** Figures that stay readable where a line runs behind them. */
export const ClearText = ({ halo, ...props }: TextProps & { readonly halo: string }) => (
  <>
    <Text {...props} stroke={halo} strokeWidth={5} strokeLinejoin="round" aria-hidden />
    <Text {...props} />
  </>
);
