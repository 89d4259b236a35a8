/** What the welcome page shows of one server. */
export interface Shown {
  readonly fingerprint: string;
  /** Addresses of the app itself, under TLS. */
  readonly addresses: readonly string[];
}

const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

const STEPS: readonly (readonly [device: string, steps: readonly string[]])[] = [
  [
    'Android phone',
    [
      'Download the certificate with the button above.',
      'Open Settings, search for “CA certificate”, and choose “Install a certificate”, then “CA certificate”.',
      'Confirm “Install anyway” and select the downloaded file spare-acre.crt.',
    ],
  ],
  [
    'iPhone or iPad',
    [
      'Download the certificate with the button above in Safari and allow the profile.',
      'Open Settings, General, VPN & Device Management, and install the profile “Spare Acre”.',
      'Open Settings, General, About, Certificate Trust Settings, and switch it on.',
    ],
  ],
  [
    'Windows',
    [
      'Download and open the file.',
      'Choose “Install Certificate”, “Current User”, “Place all certificates in the following store”, “Trusted Root Certification Authorities”.',
    ],
  ],
  [
    'Mac',
    ['Download and open the file; it is added to Keychain Access.', 'Double-click “Spare Acre”, open “Trust”, and choose “Always Trust”.'],
  ],
  [
    'Linux desktop',
    [
      'In the browser open Settings, search for “certificates”, open “Authorities”, and import the file; tick “Trust this certificate for identifying websites”.',
      'In Firefox (on every system) use Settings, Privacy & Security, View Certificates, Authorities, Import.',
    ],
  ],
];

/** The page that shows how to trust this server, and whether it worked. Plain HTML: it is opened by devices that trust nothing here yet. */
export const welcomePage = ({ fingerprint, addresses }: Shown): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Trust this Spare Acre server</title>
<link rel="stylesheet" href="/welcome.css">
<script src="/welcome.js" defer></script>
</head>
<body data-addresses="${escaped(JSON.stringify(addresses))}">
<main>
<h1>Connect to Spare Acre</h1>
<p>This server made its own certificate authority. Install it once on this device. The connection is then encrypted without a warning, and the bench works on this device without a network.</p>
<p id="state" role="status">Checking whether this device trusts the server …</p>
<p><a class="button" href="/spare-acre.crt" download>Download the certificate</a> <button id="check" type="button">Check again</button></p>
<h2>Compare before you install it</h2>
<p>The terminal that runs Spare Acre shows the same fingerprint. If it differs, do not install the certificate.</p>
<p class="fingerprint">${escaped(fingerprint)}</p>
<p class="quiet">The certificate can vouch only for private network addresses and local names. Remove it in the same settings when you no longer use this server.</p>
<h2>Steps</h2>
${STEPS.map(([device, steps]) => `<details><summary>${escaped(device)}</summary><ol>${steps.map((step) => `<li>${escaped(step)}</li>`).join('')}</ol></details>`).join('\n')}
<h2>If you do not want to install it</h2>
<p>Open the app anyway and accept the browser’s warning: <span id="links">${addresses.map((address) => `<a href="${escaped(address)}">${escaped(address)}</a>`).join(' ')}</span>. Everything works while the server can be reached. Without a network, only a page that is already open keeps working. Its entries are stored on the device and sent later.</p>
</main>
</body>
</html>`;

export const WELCOME_CSS = `body{margin:0;background:#f5f1e6;color:#24302c;font:17px/1.5 system-ui,sans-serif}main{max-width:640px;margin:0 auto;padding:20px}
h1,h2{font-family:Georgia,serif}.button,button{display:inline-block;min-height:44px;padding:8px 16px;border:1px solid #24302c;background:#fffdf7;color:#24302c;font:inherit;text-decoration:none;box-sizing:border-box}
.button{background:#55702f;color:#fffdf7}.fingerprint{font-family:monospace;word-break:break-all}.quiet{color:#4c5a54}summary{min-height:40px;padding:8px 0;cursor:pointer}#state{border-left:4px solid #b98a2c;padding:6px 12px}#state.good{border-color:#55702f}`;

/** Asks each address of the app, which only answers a browser that trusts it. */
export const WELCOME_JS = `const state = document.getElementById('state');
const addresses = JSON.parse(document.body.dataset.addresses);
async function check() {
  state.className = '';
  state.textContent = 'Checking whether this device trusts the server …';
  for (const address of addresses) {
    try {
      await fetch(address + '/trusted', { cache: 'no-store', signal: AbortSignal.timeout(5000) });
      state.className = 'good';
      state.replaceChildren('This device trusts the server.  ', Object.assign(document.createElement('a'), { href: address, textContent: 'Open Spare Acre' }));
      return;
    } catch {
      // Not trusted there, or not reached.
    }
  }
  state.textContent = 'This device does not trust the server yet. Install the certificate, then check again.';
}
document.getElementById('check').addEventListener('click', check);
check();`;
