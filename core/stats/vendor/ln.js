import{require_lib}from"./shared/4BLMYQ7B.js";import"./shared/6PWSWOFC.js";import"./shared/EPGA6KRY.js";import"./shared/PQPUZNN2.js";import"./shared/ZRCPDYEG.js";export default require_lib();
