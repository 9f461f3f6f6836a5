import { isTaken, knownFaults, licenceFaults } from './packages';

it('takes a licence by the words of SPDX, and names what it does not take', async () => {
  expect(['MIT', '(MIT OR GPL-3.0-or-later)', '(MIT AND Zlib)'].every(isTaken)).toBe(true);
  expect(['GPL-3.0-or-later', 'MIT AND GPL-2.0', '', 'none'].some(isTaken)).toBe(false);
  const said = [
    { name: 'good', version: '1.0.0', license: 'ISC' },
    { name: 'bad', version: '2.0.0', license: 'AGPL-3.0' },
    { name: 'silent', version: '3.0.0' },
  ];
  expect(await licenceFaults(async () => JSON.stringify(said))).toEqual([
    'bad 2.0.0: AGPL-3.0',
    'silent 3.0.0: none',
  ]);
});

it('names grave faults, and does not take a registry that says nothing for one that says none', async () => {
  const audit = (said: object) => knownFaults(async () => JSON.stringify(said));
  const fault = (severity: string) => ({ name: severity, range: '<2', severity });
  expect(await audit({ vulnerabilities: { a: fault('low'), b: fault('critical') } })).toEqual([
    'critical <2: critical',
  ]);
  expect(await audit({ vulnerabilities: {} })).toEqual([]);
  expect(await audit({ message: '405' })).toBeUndefined();
});
