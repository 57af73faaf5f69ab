import { type AddressInfo, type Socket, connect, createServer } from 'node:net';

/** A way to the server that can be cut: phones that were speaking do not know whether they were heard. */
export async function openCutNetwork(server: string) {
  const { hostname, port } = new URL(server);
  const open = new Set<Socket>();
  const proxy = createServer((phone) => {
    const kitchen = connect(Number(port), hostname);
    for (const socket of [phone, kitchen]) {
      open.add(socket);
      socket.once('close', () => {
        open.delete(socket);
        phone.destroy();
        kitchen.destroy();
      });
      // Both ends hear of a cut as an error; it is what this is for.
      socket.on('error', () => socket.destroy());
    }
    phone.pipe(kitchen).pipe(phone);
  });
  await new Promise<void>((resolve) => proxy.listen(0, '127.0.0.1', resolve));
  return {
    url: `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`,
    /** Cuts every connection that stands now. */
    cut: (): void => {
      for (const socket of open) socket.destroy();
    },
    close: (): void => {
      for (const socket of open) socket.destroy();
      proxy.close();
    },
  };
}
