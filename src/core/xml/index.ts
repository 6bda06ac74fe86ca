export { writeXml } from './writeXml'
export { allAt, at, decodeXml, readXml, textAt, type XmlNode, type XmlProblem } from './xml'
