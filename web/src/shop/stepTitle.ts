import { shippedOperations, type ShopState } from '@holotonos/core';

/** A title without the place for its part. */
export const plainTitle = (title: string): string => title.replace(/:?\s*\{part\}/, '');

/** What a kind of step is called, the shop's own among them. */
export const stepTitle = ({ operations }: Pick<ShopState, 'operations'>, name: string): string =>
  plainTitle(operations.find(({ id }) => id === name)?.work.title ?? shippedOperations.get(name)?.title ?? name);
