import { useEffect } from 'react';

/** The key / puts the cursor into the field that finds. */
export function useFindKey(fieldId: string): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof Element && event.target.matches('input, textarea');
      if (event.key !== '/' || typing || event.ctrlKey || event.metaKey) return;
      const field = document.getElementById(fieldId);
      if (!field) return;
      event.preventDefault();
      field.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [fieldId]);
}
