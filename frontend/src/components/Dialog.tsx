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
  /** Stays until what it asks for is done. */
  isFirm?: boolean;
}

/** A dialog without a banner of its own, so that the page keeps one. */
export function Dialog({ opened, onClose, title, children, wide = false, isFirm = false }: Props) {
  return (
    <Modal.Root
      opened={opened}
      onClose={onClose}
      size={wide ? 'lg' : 'md'}
      closeOnEscape={!isFirm}
      closeOnClickOutside={!isFirm}
    >
      <Modal.Overlay />
      <Modal.Content>
        <Modal.Body>
          <div className={css.head}>
            <Modal.Title className={css.title ?? ''}>{title}</Modal.Title>
            {!isFirm && <CloseButton size={44} aria-label="Close" onClick={onClose} />}
          </div>
          {children}
        </Modal.Body>
      </Modal.Content>
    </Modal.Root>
  );
}
