import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { useValves } from '@/data/queries';
import { Screen } from '@/shell/screen';
import { Card } from '@/ui/card';
import { Field } from '@/ui/field';
import { pickFile } from '@/ui/files';
import { View } from '@/ui/kit';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Strong, Words } from '@/ui/words';
import { readLabel, type LabelRead } from './read-label';
import { codeInFile, useCamera, type CameraState } from './use-codes';

const cameraWords: Readonly<Record<CameraState, string>> = {
  asking: 'The camera is being opened',
  looking: 'Hold it before the code, a hand’s breadth away',
  denied: 'The camera was not allowed. Allow it in the browser’s settings, or type the tag.',
  absent: 'No camera can be opened here. Type the tag, or read the code from a picture.',
};

type Trouble = Exclude<LabelRead, { kind: 'valve' }> | { readonly kind: 'no_code' };

/** The code on a label leads to its valve; typing its tag is the last resort. */
export function ScanPage() {
  const router = useRouter();
  const valves = useValves().data ?? [];
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState<Trouble>();
  const follow = (text: string) => {
    const read = readLabel(text, valves);
    if (read.kind === 'valve') router.replace(`/valves/${read.valve.id}` as Href);
    else setTrouble(read);
  };
  const { video, state } = useCamera(follow);
  const fromFile = async () => {
    const file = await pickFile('image/*');
    if (!file) return;
    const text = await codeInFile(file);
    if (text === undefined) setTrouble({ kind: 'no_code' });
    else follow(text);
  };
  return (
    <Screen title="Scan a label" under="It opens the valve that it hangs on" back>
      <View
        position="relative"
        width="100%"
        aspectRatio={4 / 3}
        borderRadius="$4"
        overflow="hidden"
        backgroundColor="$quiet"
        // Where no camera opens there is nothing to see.
        display={state === 'denied' || state === 'absent' ? 'none' : 'flex'}
      >
        <video
          ref={video}
          muted
          playsInline
          aria-label="What the camera sees"
          style={{ width: '100%', height: '100%', objectFit: 'cover' }}
        />
        {state === 'looking' ? <Aim /> : null}
      </View>
      <Words role="status">{cameraWords[state]}</Words>
      {trouble ? <TroubleCard trouble={trouble} /> : null}
      <Field label="Or type its tag or serial number" value={typed} onChangeText={setTyped} />
      <BigButton kind="outline" disabled={typed.trim() === ''} onPress={() => follow(typed)}>
        Go to it
      </BigButton>
      <WordButton onPress={() => void fromFile()}>read the code from a picture</WordButton>
    </Screen>
  );
}

/** Where the code should be. */
const Aim = () => (
  <View
    position="absolute"
    top="18%"
    bottom="18%"
    left="26%"
    right="26%"
    borderWidth={3}
    borderColor="$brassMark"
    borderRadius="$3"
  />
);

const troubleWords: {
  readonly [K in Trouble['kind']]: (trouble: Extract<Trouble, { kind: K }>) => [string, string];
} = {
  not_here: ({ id }) => [
    `${id} is not in this register`,
    'The label is one of ours, of a valve that was never entered here or of another house.',
  ],
  other: ({ text }) => [
    'That is none of our labels',
    `It says “${text.slice(0, 80)}”. No valve is called that, and nothing was opened.`,
  ],
  no_code: () => ['No code was found', 'Take the picture nearer, straight on, without a shadow.'],
};

function TroubleCard({ trouble }: { readonly trouble: Trouble }) {
  const [title, say] = troubleWords[trouble.kind](trouble as never);
  return (
    <Card tone="warn" role="alert">
      <Strong color="$onBrassSoft">{title}</Strong>
      <Words color="$onBrassSoft">{say}</Words>
      {trouble.kind === 'no_code' ? null : <Muted color="$onBrassSoft">Looking on.</Muted>}
    </Card>
  );
}
