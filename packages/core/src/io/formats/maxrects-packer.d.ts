declare module 'maxrects-packer/dist/maxrects-packer.mjs' {
  export { MaxRectsPacker, Rectangle } from 'maxrects-packer';
}
