import{require_lib}from"./shared/BELMLXHL.js";import"./shared/7BFB73NJ.js";import"./shared/5YQJHYFP.js";import"./shared/ZRCPDYEG.js";export default require_lib();
