import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A copy of the built app with a server of its own, to be stopped and changed as a test likes. */
export class OwnServer {
  private readonly folder = mkdtempSync(join(tmpdir(), 'ojas-served-'));
  private process: ChildProcess | null = null;
  readonly address: string;

  constructor(private readonly port: number) {
    this.address = `http://127.0.0.1:${port}`;
    cpSync('dist', join(this.folder, 'dist'), { recursive: true });
    symlinkSync(join(process.cwd(), 'node_modules'), join(this.folder, 'node_modules'));
  }

  async start(): Promise<void> {
    const server = spawn(process.execPath, ['dist/server.mjs', '--port', String(this.port)], {
      cwd: this.folder,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.process = server;
    await new Promise((resolve) => server.stdout.once('data', resolve));
  }

  async stop(): Promise<void> {
    const server = this.process;
    this.process = null;
    if (!server || server.exitCode !== null) return;
    const ended = new Promise((resolve) => server.once('exit', resolve));
    server.kill('SIGKILL');
    await ended;
  }

  /** Another version of what keeps the app, as a new build brings one. */
  changeKeeper(change: (text: string) => string): void {
    const path = join(this.folder, 'dist', 'web', 'sw.js');
    writeFileSync(path, change(readFileSync(path, 'utf8')));
    for (const packed of ['.br', '.gz']) rmSync(`${path}${packed}`, { force: true });
  }

  async remove(): Promise<void> {
    await this.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}
