import { useEffect, useState, type ComponentType, type ReactNode } from 'react';

/**
 * Something whose script comes only when it is first shown, or before, when there is nothing else to do. Not by `lazy`: that
 * shows what stands in for it for a third of a second, even where the script is there already.
 * @param there the component, where its script has come
 * @param bring resolves when it has
 * @param meanwhile what is shown until then
 */
export function later<P extends object>(
  there: () => ComponentType<P> | undefined,
  bring: () => Promise<unknown>,
  meanwhile: ReactNode = null,
): (props: P) => ReactNode {
  return function Later(props: P) {
    const [There, setThere] = useState(there);
    const [failed, setFailed] = useState<Error>();
    useEffect(() => {
      if (There) return;
      let wanted = true;
      bring().then(
        () => {
          if (wanted) setThere(there);
        },
        (error: Error) => {
          if (wanted) setFailed(error);
        },
      );
      return () => {
        wanted = false;
      };
    }, [There]);
    // For what stands in place of a screen that cannot be shown.
    if (failed) throw failed;
    return There ? <There {...props} /> : meanwhile;
  };
}
