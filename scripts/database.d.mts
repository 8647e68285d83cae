export interface PrivateDatabase {
  readonly port: number;
  readonly pid: number;
  urlOf(database: string): string;
  stop(): Promise<void>;
}
export function startDatabase(name: string, databases: readonly string[]): Promise<PrivateDatabase>;
export function dropDatabase(name: string): Promise<void>;
export function freePort(first: number): Promise<number>;
export function isListening(port: number): Promise<boolean>;
export function sleep(ms: number): Promise<void>;
