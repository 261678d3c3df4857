let file = $state.raw<File>();

/** A file that the device opened with the application, until it is looked at. */
export const opened = {
	get file(): File | undefined {
		return file;
	},
	set file(next: File | undefined) {
		file = next;
	}
};
