import path from 'node:path'

/** Folder of the data, as the environment says; beside the program where it says nothing. */
export const dataFolder = (root: string): string => process.env['NACHTIGAL_DATA'] || path.join(root, 'data')
