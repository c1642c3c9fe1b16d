'use client';

/** The one door to React-Bootstrap, so that server components never pull it in. */
export { default as Button } from 'react-bootstrap/Button';
export { default as Form } from 'react-bootstrap/Form';
export { default as Modal } from 'react-bootstrap/Modal';
