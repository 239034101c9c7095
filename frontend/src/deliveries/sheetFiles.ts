/** The kinds of files a sheet may come in; what a file is is told by its content. */
export const SHEET_FILES = ".dxf,.pdf,.svg,.png,.jpg,.jpeg";
