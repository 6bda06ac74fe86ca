import { expect, test } from 'vitest'
import { browserName } from './browserName'

test.each([
  ['Mozilla/5.0 (X11; Linux x86_64; rv:128.0) Gecko/20100101 Firefox/128.0', 'Firefox on Linux'],
  [
    'Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/131.0.0.0 Safari/537.36 Edg/131.0',
    'Edge on Windows',
  ],
  [
    'Mozilla/5.0 (Linux; Android 14; Pixel 8) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/131.0 Mobile Safari/537.36',
    'Chrome on Android',
  ],
  [
    'Mozilla/5.0 (iPhone; CPU iPhone OS 18_1 like Mac OS X) AppleWebKit/605.1 (KHTML, like Gecko) Version/18.1 Mobile Safari/604.1',
    'Safari on iPhone',
  ],
  [
    'Mozilla/5.0 (Macintosh; Intel Mac OS X 14_7) AppleWebKit/605.1 (KHTML, like Gecko) Version/18.1 Safari/605.1',
    'Safari on Mac',
  ],
  ['Firefox/1', 'Firefox'],
  ['curl/8.11.0', 'Another program'],
  ['<script>alert(1)</script>', 'Another program'],
  ['', 'Another program'],
])('%s is %s', (agent, name) => expect(browserName(agent)).toBe(name))
