/** Devices that are paired. */
export default ownApi((_event, { pairing }) => pairing.list())
