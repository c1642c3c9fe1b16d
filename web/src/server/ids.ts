/** Is this a UUID in its one spelling, in small letters? Nothing else is looked up by it. */
export const isUuid = (text: string): boolean => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(text);
