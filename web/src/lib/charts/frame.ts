/** What a picture is drawn into, in pixels. */
export interface Frame {
	readonly width: number;
	readonly height: number;
	readonly margin: { readonly top: number; readonly right: number; readonly bottom: number; readonly left: number };
}
