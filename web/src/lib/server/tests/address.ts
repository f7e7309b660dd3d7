/** Where the tests' database is: each of the workers that run tests side by side has one of its own. @throws outside npm test */
export function testAddress(): string {
	const addresses = process.env.FENDREL_TEST_DATABASE_URLS?.split(' ');
	const address = addresses?.[Number(process.env.VITEST_POOL_ID) - 1];
	if (!address)
		throw new Error('FENDREL_TEST_DATABASE_URLS names no database for this worker: run these through npm test');
	return address;
}
