/** Gives a file to whoever sits here, under a name. */
export function saveFile(bytes: Blob, name: string): void {
	const address = URL.createObjectURL(bytes);
	const link = document.createElement('a');
	link.href = address;
	link.download = name;
	link.click();
	URL.revokeObjectURL(address);
}
