import { config } from 'zod';

// Zod would try `new Function`, which the page's security policy forbids and the console reports.
config({ jitless: true });
