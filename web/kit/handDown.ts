/** Handing a file that was made on this page to whoever reads it. */
export function handDown(text: string, name: string, type = 'text/csv;charset=utf-8'): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 60_000);
}
