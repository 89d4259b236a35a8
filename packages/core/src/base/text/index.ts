export { cutText, isStorable, lettersIn, unstorableAt } from './text';
