/** The entry of a thread of the pool. A response goes over to the server's thread as its parts. */
import { type Given, type TaskName, runTask } from './tasks';

export interface Parts {
  status: number;
  headers: [string, string][];
  body: Uint8Array;
}

export default async function run({ name, given }: { name: TaskName; given: Given<TaskName> }): Promise<Parts> {
  const response = await runTask(name, given as never);
  return {
    status: response.status,
    headers: [...response.headers],
    body: new Uint8Array(await response.arrayBuffer()),
  };
}
