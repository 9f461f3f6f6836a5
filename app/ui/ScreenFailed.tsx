import { Button } from './Button';
import { Notice } from './Notice';

/**
 * In place of a screen that cannot be shown: its script has not come onto this device yet, or it failed. The page
 * is read anew, since a script that once failed to load stays so; what was entered is kept on the device.
 */
export function ScreenFailed() {
  return (
    <Notice
      icon="alert-triangle"
      title="This screen could not be shown"
      text="What was entered is kept on this device. If the server is away, try again when it is back."
      testID="screen-failed"
    >
      <Button
        look="act"
        label="Try again"
        testID="screen-again"
        onPress={() => window.location.reload()}
      />
      <Button label="To the calls" testID="to-calls" onPress={() => window.location.assign('/')} />
    </Notice>
  );
}
