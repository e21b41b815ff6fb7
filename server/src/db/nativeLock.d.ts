declare module 'fs-native-extensions' {
  /** Takes a kernel lock on bytes of an open file; false where somebody else holds it. */
  export function tryLock(fd: number, offset: number, length: number): boolean
  export function unlock(fd: number, offset: number, length: number): void
}
