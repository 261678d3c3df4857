// npm run demo: installs what is missing, builds, starts, and prints the address with the demo rigs loaded.
import { installPackages, run } from './setup.mjs';

installPackages();
console.log('Building…');
run('npx', ['vite', 'build', '--logLevel', 'warn']);
const { serve } = await import('./serve.mjs');

async function onFreePort() {
	try {
		return await serve();
	} catch (error) {
		if (error.code !== 'EADDRINUSE' || process.env.PORT) throw error;
		return serve({ port: 0 });
	}
}

const { address } = await onFreePort();
console.log(`\nDipsometer with its two demo rigs:\n\n  ${address}/?demo\n\nCtrl+C ends it.`);
