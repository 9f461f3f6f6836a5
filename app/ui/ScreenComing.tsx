import { Notice } from './Notice';

/** In place of a screen whose script is on its way. */
export function ScreenComing() {
  return <Notice icon="loader" title="Opening" testID="screen-coming" />;
}
