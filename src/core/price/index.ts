export { choosePrice, sayPriceSource, type PriceOffer, type PriceLevel, type ChosenPrice } from './choosePrice'
export { convertPrice } from './convertPrice'
export { stepFor, type Step } from './stepFor'
