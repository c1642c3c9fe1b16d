import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Refusal } from './edge.mjs';

export function answer(request: IncomingMessage, response: ServerResponse, refusal: Refusal, patience?: number): void;
