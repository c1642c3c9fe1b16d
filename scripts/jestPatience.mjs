// A busy machine takes its time. Nothing waits this long unless it hangs; what must be fast is measured in bench/.
import { jest } from '@jest/globals';

jest.setTimeout(180_000);
