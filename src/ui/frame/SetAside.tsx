'use client';
import Button from '@mui/material/Button';
import type { Aside } from '../editor/draft';
import { dropAside } from '../editor/draft';
import { isUnsaved } from '../editor/editorStore';
import { useEditor, useEditorStore } from '../editor/StationProvider';
import { downloadText, fileNameOf } from '../parts/download';
import { Notice } from '../parts/Notice';
import { clock } from '../parts/when';

/** Unsaved work on this station that is kept in the browser beside what is on the screen: nothing of it is dropped unasked. */
export function SetAside() {
  const store = useEditorStore();
  const aside = useEditor((s) => s.aside);
  const unsaved = useEditor(isUnsaved);
  const name = useEditor((s) => s.document.identity.name);
  const leave = (gone: Aside) => {
    dropAside(gone);
    store.getState().setAside(aside.filter((a) => a.key !== gone.key));
  };
  const takeUp = (one: Aside) => {
    const { saved, edit } = store.getState();
    store.setState({ saved: { ...saved, revision: one.draft!.base }, typed: one.draft!.typed ?? {} });
    edit(() => one.draft!.document);
    leave(one);
  };
  return aside.map((one) => (
    <Notice key={one.key} severity="warning">
      {one.draft
        ? `Other unsaved work on this station is kept in this browser${one.draft.at ? `, from ${clock(new Date(one.draft.at).toISOString())}` : ''}. `
        : 'What was kept of this station in this browser cannot be read by this version; it is set aside. '}
      {one.draft && (
        <Button
          disabled={unsaved}
          title={unsaved ? 'save or undo what is on the screen first' : ''}
          onClick={() => takeUp(one)}
        >
          go on with it
        </Button>
      )}
      <Button
        onClick={() =>
          downloadText(
            fileNameOf(name, 'unsaved'),
            'application/json',
            one.draft ? JSON.stringify(one.draft.document, null, 2) : one.text,
          )
        }
      >
        download it
      </Button>
      <Button onClick={() => leave(one)}>throw it away</Button>
    </Notice>
  ));
}
