/** The one door through which stand-ins enter the server: what starts it says which. */
export { openStandIns } from '@kettle-scale/simulation';
