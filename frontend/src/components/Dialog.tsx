import { CloseButton, Modal } from '@mantine/core';
import type { ReactNode } from 'react';

import css from './Dialog.module.css';

interface Props {
  opened: boolean;
  onClose: () => void;
  title: string;
  children: ReactNode;
  /** Default: narrow. */
  wide?: boolean;
}

/** A dialog without a banner of its own, so that the page keeps one. */
export function Dialog({ opened, onClose, title, children, wide = false }: Props) {
  return (
    <Modal.Root opened={opened} onClose={onClose} size={wide ? 'lg' : 'md'}>
      <Modal.Overlay />
      <Modal.Content>
        <Modal.Body>
          <div className={css.head}>
            <Modal.Title className={css.title ?? ''}>{title}</Modal.Title>
            <CloseButton size={44} aria-label="Close" onClick={onClose} />
          </div>
          {children}
        </Modal.Body>
      </Modal.Content>
    </Modal.Root>
  );
}
