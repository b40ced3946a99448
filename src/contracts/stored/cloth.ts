import { cloth, type Cloth } from '../rank';
import { storedDocument } from './document';

/** What a belt is woven of, as it is kept with it. */
export const storedCloth = storedDocument<Cloth>('belt', cloth);
