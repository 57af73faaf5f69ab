import type { Reader, Words } from '@kettle-scale/core/message';
import { escape, page, sayTo } from './page';

/** How each kind of phone or computer takes a certificate of the kitchen's own. */
const STEPS: readonly { on: Words; steps: readonly Words[] }[] = [
  {
    on: 'iPhone and iPad',
    steps: [
      'Download, and allow the profile.',
      'Settings, General, VPN & Device Management: install it.',
      'Settings, General, About, Certificate Trust Settings: switch it on.',
    ],
  },
  {
    on: 'Android phone or tablet',
    steps: [
      'Download.',
      'Settings, Security, Encryption & credentials, Install a certificate, CA certificate. The words differ a little from phone to phone: search the settings for “certificate”.',
      'Choose the file. The warning that the phone shows is about any certificate of your own.',
    ],
  },
  {
    on: 'Computer',
    steps: [
      'Download and open the file.',
      'Add it as a trusted root authority for web sites. Some browsers keep their own list: search their settings for “certificates”.',
    ],
  },
];

/**
 * How to trust the kitchen's own authority.
 * @param fingerprint to compare
 * @param base address of the kitchen over HTTPS
 */
export function trustPage(fingerprint: string, base: string, reader: Reader): string {
  const say = sayTo(reader);
  const kinds = STEPS.map(
    ({ on, steps }) =>
      `<h2>${say(on)}</h2>\n<ol>${steps.map((step) => `<li>${say(step)}</li>`).join('\n')}</ol>`,
  );
  return page(
    'Trust this kitchen',
    `<p>${say('The kitchen’s server vouches for itself. Install its certificate once on each phone; it can vouch for addresses on the kitchen’s own network and for nothing else.')}</p>
<a class="go" href="/trust/authority.crt">${say('Download the certificate')}</a>
<h2>${say('Compare first')}</h2>
<p>${say('The server shows the same fingerprint where it was started, and under Settings, Phones. Continue only if they are equal.')}</p>
<p class="print">${escape(fingerprint).replaceAll(':', ':<wbr>')}</p>
${kinds.join('\n')}
<h2>${say('Then')}</h2>
<p>${say('Open this address and type the code from the server. From there the app can be put on the home screen.')}</p>
<p><a href="${escape(base)}/pair">${escape(base)}/pair</a></p>`,
    reader,
  );
}
