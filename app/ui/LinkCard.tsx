import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../theme/theme';
import { Button } from './Button';
import { Card } from './Card';
import { Type } from './Type';

interface Props {
  title: string;
  url: string;
  says: string;
  done: () => void;
}

/** A link to give away: copied, or handed to what the phone shares with. */
export function LinkCard({ title, url, says, done }: Props) {
  const [copied, setCopied] = useState(false);
  const copy = async (): Promise<void> => {
    await navigator.clipboard.writeText(url).then(
      () => setCopied(true),
      () => undefined, // not allowed here: the link stands there to be marked and copied
    );
  };
  const share = typeof navigator !== 'undefined' && 'share' in navigator;
  return (
    <Card testID="new-link">
      <Type weight="heavy" role="heading" aria-level={2}>
        {title}
      </Type>
      <Type weight="mono" size="small" selectable testID="new-link-url">
        {url}
      </Type>
      <Type size="small" tone="soft">
        {says}
      </Type>
      <View style={styles.row}>
        <Button
          look="act"
          icon="copy"
          label={copied ? 'Copied' : 'Copy it'}
          testID="copy-link"
          onPress={() => void copy()}
        />
        {share && (
          <Button
            icon="share-2"
            label="Send it"
            testID="share-link"
            onPress={() => void navigator.share({ url }).catch(() => undefined)}
          />
        )}
        <Button icon="check" label="Done" testID="link-done" onPress={done} />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
