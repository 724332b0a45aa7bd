// The types of this module stand under its folder's name only.
declare module 'selenium-webdriver/http/index.js' {
  import * as http from 'selenium-webdriver/http';
  export default http;
}
