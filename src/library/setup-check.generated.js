// Made by tools/checks.ts from the JSON schemas. Not to be changed by hand.
"use strict";
exports.isSetupFile = validate10;
const schema11 = {"type":"object","required":["kind","version","setups"],"additionalProperties":false,"properties":{"kind":{"const":"setups"},"version":{"const":1},"setups":{"type":"array","minItems":1,"maxItems":200,"items":{"type":"object","required":["name","values"],"additionalProperties":false,"properties":{"name":{"type":"string","minLength":1,"maxLength":40,"pattern":"\\S"},"values":{"type":"object","minProperties":1,"additionalProperties":false,"properties":{"shutter":{"type":"object","required":["auto","exact"],"additionalProperties":false,"properties":{"auto":{"type":"boolean"},"exact":{"type":"number","exclusiveMinimum":0,"maximum":8192}}},"iso":{"type":"object","required":["auto","exact"],"additionalProperties":false,"properties":{"auto":{"type":"boolean"},"exact":{"type":"number","exclusiveMinimum":0,"maximum":8192}}},"aperture":{"type":"object","required":["auto","exact"],"additionalProperties":false,"properties":{"auto":{"type":"boolean"},"exact":{"type":"number","exclusiveMinimum":0,"maximum":8192}}},"compensationEv":{"type":"number","minimum":-5,"maximum":5},"focus":{"type":"object","required":["auto","exact"],"additionalProperties":false,"properties":{"auto":{"type":"boolean"},"exact":{"type":"number","exclusiveMinimum":0,"maximum":8192}}},"meter":{"type":"object","required":["pattern","spotShare","burnShare"],"additionalProperties":false,"properties":{"pattern":{"enum":["evaluative","centre","spot","highlight"]},"spotShare":{"enum":[0.003,0.01,0.03]},"burnShare":{"enum":[0.0003,0.001,0.01]}}},"rules":{"type":"object","required":["order","steadyThirds","isoCeiling","shutter","iso","aperture"],"additionalProperties":false,"properties":{"order":{"type":"array","items":{"enum":["shutter","aperture","iso"]},"uniqueItems":true,"minItems":3,"maxItems":3},"steadyThirds":{"type":"integer","minimum":-6,"maximum":6},"isoCeiling":{"type":"number","minimum":50,"maximum":6500},"shutter":{"type":"array","items":{"type":"number","exclusiveMinimum":0,"maximum":8192},"minItems":2,"maxItems":2},"iso":{"type":"array","items":{"type":"number","exclusiveMinimum":0,"maximum":8192},"minItems":2,"maxItems":2},"aperture":{"type":"array","items":{"type":"number","exclusiveMinimum":0,"maximum":8192},"minItems":2,"maxItems":2}}},"filterStops":{"type":"number","minimum":0,"maximum":20},"delayS":{"enum":[0,2,5,10]},"lock":{"type":"boolean"}}}}}}}};
const func2 = require("ajv/dist/runtime/ucs2length").default;
const func4 = Object.prototype.hasOwnProperty;
const func0 = require("ajv/dist/runtime/equal").default;
const pattern0 = new RegExp("\\S", "u");

function validate10(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if(data && typeof data == "object" && !Array.isArray(data)){
let missing0;
if((((data.kind === undefined) && (missing0 = "kind")) || ((data.version === undefined) && (missing0 = "version"))) || ((data.setups === undefined) && (missing0 = "setups"))){
validate10.errors = [{instancePath,schemaPath:"#/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"}];
return false;
}
else {
const _errs1 = errors;
for(const key0 in data){
if(!(((key0 === "kind") || (key0 === "version")) || (key0 === "setups"))){
validate10.errors = [{instancePath,schemaPath:"#/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key0},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs1 === errors){
if(data.kind !== undefined){
const _errs2 = errors;
if("setups" !== data.kind){
validate10.errors = [{instancePath:instancePath+"/kind",schemaPath:"#/properties/kind/const",keyword:"const",params:{allowedValue: "setups"},message:"must be equal to constant"}];
return false;
}
var valid0 = _errs2 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.version !== undefined){
const _errs3 = errors;
if(1 !== data.version){
validate10.errors = [{instancePath:instancePath+"/version",schemaPath:"#/properties/version/const",keyword:"const",params:{allowedValue: 1},message:"must be equal to constant"}];
return false;
}
var valid0 = _errs3 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.setups !== undefined){
let data2 = data.setups;
const _errs4 = errors;
if(errors === _errs4){
if(Array.isArray(data2)){
if(data2.length > 200){
validate10.errors = [{instancePath:instancePath+"/setups",schemaPath:"#/properties/setups/maxItems",keyword:"maxItems",params:{limit: 200},message:"must NOT have more than 200 items"}];
return false;
}
else {
if(data2.length < 1){
validate10.errors = [{instancePath:instancePath+"/setups",schemaPath:"#/properties/setups/minItems",keyword:"minItems",params:{limit: 1},message:"must NOT have fewer than 1 items"}];
return false;
}
else {
var valid1 = true;
const len0 = data2.length;
for(let i0=0; i0<len0; i0++){
let data3 = data2[i0];
const _errs6 = errors;
if(errors === _errs6){
if(data3 && typeof data3 == "object" && !Array.isArray(data3)){
let missing1;
if(((data3.name === undefined) && (missing1 = "name")) || ((data3.values === undefined) && (missing1 = "values"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0,schemaPath:"#/properties/setups/items/required",keyword:"required",params:{missingProperty: missing1},message:"must have required property '"+missing1+"'"}];
return false;
}
else {
const _errs8 = errors;
for(const key1 in data3){
if(!((key1 === "name") || (key1 === "values"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0,schemaPath:"#/properties/setups/items/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key1},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs8 === errors){
if(data3.name !== undefined){
let data4 = data3.name;
const _errs9 = errors;
if(errors === _errs9){
if(typeof data4 === "string"){
if(func2(data4) > 40){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/name",schemaPath:"#/properties/setups/items/properties/name/maxLength",keyword:"maxLength",params:{limit: 40},message:"must NOT have more than 40 characters"}];
return false;
}
else {
if(func2(data4) < 1){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/name",schemaPath:"#/properties/setups/items/properties/name/minLength",keyword:"minLength",params:{limit: 1},message:"must NOT have fewer than 1 characters"}];
return false;
}
else {
if(!pattern0.test(data4)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/name",schemaPath:"#/properties/setups/items/properties/name/pattern",keyword:"pattern",params:{pattern: "\\S"},message:"must match pattern \""+"\\S"+"\""}];
return false;
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/name",schemaPath:"#/properties/setups/items/properties/name/type",keyword:"type",params:{type: "string"},message:"must be string"}];
return false;
}
}
var valid2 = _errs9 === errors;
}
else {
var valid2 = true;
}
if(valid2){
if(data3.values !== undefined){
let data5 = data3.values;
const _errs11 = errors;
if(errors === _errs11){
if(data5 && typeof data5 == "object" && !Array.isArray(data5)){
if(Object.keys(data5).length < 1){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values",schemaPath:"#/properties/setups/items/properties/values/minProperties",keyword:"minProperties",params:{limit: 1},message:"must NOT have fewer than 1 properties"}];
return false;
}
else {
const _errs13 = errors;
for(const key2 in data5){
if(!(func4.call(schema11.properties.setups.items.properties.values.properties, key2))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values",schemaPath:"#/properties/setups/items/properties/values/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key2},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs13 === errors){
if(data5.shutter !== undefined){
let data6 = data5.shutter;
const _errs14 = errors;
if(errors === _errs14){
if(data6 && typeof data6 == "object" && !Array.isArray(data6)){
let missing2;
if(((data6.auto === undefined) && (missing2 = "auto")) || ((data6.exact === undefined) && (missing2 = "exact"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/shutter",schemaPath:"#/properties/setups/items/properties/values/properties/shutter/required",keyword:"required",params:{missingProperty: missing2},message:"must have required property '"+missing2+"'"}];
return false;
}
else {
const _errs16 = errors;
for(const key3 in data6){
if(!((key3 === "auto") || (key3 === "exact"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/shutter",schemaPath:"#/properties/setups/items/properties/values/properties/shutter/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key3},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs16 === errors){
if(data6.auto !== undefined){
const _errs17 = errors;
if(typeof data6.auto !== "boolean"){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/shutter/auto",schemaPath:"#/properties/setups/items/properties/values/properties/shutter/properties/auto/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid4 = _errs17 === errors;
}
else {
var valid4 = true;
}
if(valid4){
if(data6.exact !== undefined){
let data8 = data6.exact;
const _errs19 = errors;
if(errors === _errs19){
if((typeof data8 == "number") && (isFinite(data8))){
if(data8 > 8192 || isNaN(data8)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/shutter/exact",schemaPath:"#/properties/setups/items/properties/values/properties/shutter/properties/exact/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data8 <= 0 || isNaN(data8)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/shutter/exact",schemaPath:"#/properties/setups/items/properties/values/properties/shutter/properties/exact/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/shutter/exact",schemaPath:"#/properties/setups/items/properties/values/properties/shutter/properties/exact/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid4 = _errs19 === errors;
}
else {
var valid4 = true;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/shutter",schemaPath:"#/properties/setups/items/properties/values/properties/shutter/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid3 = _errs14 === errors;
}
else {
var valid3 = true;
}
if(valid3){
if(data5.iso !== undefined){
let data9 = data5.iso;
const _errs21 = errors;
if(errors === _errs21){
if(data9 && typeof data9 == "object" && !Array.isArray(data9)){
let missing3;
if(((data9.auto === undefined) && (missing3 = "auto")) || ((data9.exact === undefined) && (missing3 = "exact"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/iso",schemaPath:"#/properties/setups/items/properties/values/properties/iso/required",keyword:"required",params:{missingProperty: missing3},message:"must have required property '"+missing3+"'"}];
return false;
}
else {
const _errs23 = errors;
for(const key4 in data9){
if(!((key4 === "auto") || (key4 === "exact"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/iso",schemaPath:"#/properties/setups/items/properties/values/properties/iso/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key4},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs23 === errors){
if(data9.auto !== undefined){
const _errs24 = errors;
if(typeof data9.auto !== "boolean"){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/iso/auto",schemaPath:"#/properties/setups/items/properties/values/properties/iso/properties/auto/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid5 = _errs24 === errors;
}
else {
var valid5 = true;
}
if(valid5){
if(data9.exact !== undefined){
let data11 = data9.exact;
const _errs26 = errors;
if(errors === _errs26){
if((typeof data11 == "number") && (isFinite(data11))){
if(data11 > 8192 || isNaN(data11)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/iso/exact",schemaPath:"#/properties/setups/items/properties/values/properties/iso/properties/exact/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data11 <= 0 || isNaN(data11)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/iso/exact",schemaPath:"#/properties/setups/items/properties/values/properties/iso/properties/exact/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/iso/exact",schemaPath:"#/properties/setups/items/properties/values/properties/iso/properties/exact/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid5 = _errs26 === errors;
}
else {
var valid5 = true;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/iso",schemaPath:"#/properties/setups/items/properties/values/properties/iso/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid3 = _errs21 === errors;
}
else {
var valid3 = true;
}
if(valid3){
if(data5.aperture !== undefined){
let data12 = data5.aperture;
const _errs28 = errors;
if(errors === _errs28){
if(data12 && typeof data12 == "object" && !Array.isArray(data12)){
let missing4;
if(((data12.auto === undefined) && (missing4 = "auto")) || ((data12.exact === undefined) && (missing4 = "exact"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/aperture",schemaPath:"#/properties/setups/items/properties/values/properties/aperture/required",keyword:"required",params:{missingProperty: missing4},message:"must have required property '"+missing4+"'"}];
return false;
}
else {
const _errs30 = errors;
for(const key5 in data12){
if(!((key5 === "auto") || (key5 === "exact"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/aperture",schemaPath:"#/properties/setups/items/properties/values/properties/aperture/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key5},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs30 === errors){
if(data12.auto !== undefined){
const _errs31 = errors;
if(typeof data12.auto !== "boolean"){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/aperture/auto",schemaPath:"#/properties/setups/items/properties/values/properties/aperture/properties/auto/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid6 = _errs31 === errors;
}
else {
var valid6 = true;
}
if(valid6){
if(data12.exact !== undefined){
let data14 = data12.exact;
const _errs33 = errors;
if(errors === _errs33){
if((typeof data14 == "number") && (isFinite(data14))){
if(data14 > 8192 || isNaN(data14)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/aperture/exact",schemaPath:"#/properties/setups/items/properties/values/properties/aperture/properties/exact/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data14 <= 0 || isNaN(data14)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/aperture/exact",schemaPath:"#/properties/setups/items/properties/values/properties/aperture/properties/exact/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/aperture/exact",schemaPath:"#/properties/setups/items/properties/values/properties/aperture/properties/exact/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid6 = _errs33 === errors;
}
else {
var valid6 = true;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/aperture",schemaPath:"#/properties/setups/items/properties/values/properties/aperture/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid3 = _errs28 === errors;
}
else {
var valid3 = true;
}
if(valid3){
if(data5.compensationEv !== undefined){
let data15 = data5.compensationEv;
const _errs35 = errors;
if(errors === _errs35){
if((typeof data15 == "number") && (isFinite(data15))){
if(data15 > 5 || isNaN(data15)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/compensationEv",schemaPath:"#/properties/setups/items/properties/values/properties/compensationEv/maximum",keyword:"maximum",params:{comparison: "<=", limit: 5},message:"must be <= 5"}];
return false;
}
else {
if(data15 < -5 || isNaN(data15)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/compensationEv",schemaPath:"#/properties/setups/items/properties/values/properties/compensationEv/minimum",keyword:"minimum",params:{comparison: ">=", limit: -5},message:"must be >= -5"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/compensationEv",schemaPath:"#/properties/setups/items/properties/values/properties/compensationEv/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid3 = _errs35 === errors;
}
else {
var valid3 = true;
}
if(valid3){
if(data5.focus !== undefined){
let data16 = data5.focus;
const _errs37 = errors;
if(errors === _errs37){
if(data16 && typeof data16 == "object" && !Array.isArray(data16)){
let missing5;
if(((data16.auto === undefined) && (missing5 = "auto")) || ((data16.exact === undefined) && (missing5 = "exact"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/focus",schemaPath:"#/properties/setups/items/properties/values/properties/focus/required",keyword:"required",params:{missingProperty: missing5},message:"must have required property '"+missing5+"'"}];
return false;
}
else {
const _errs39 = errors;
for(const key6 in data16){
if(!((key6 === "auto") || (key6 === "exact"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/focus",schemaPath:"#/properties/setups/items/properties/values/properties/focus/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key6},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs39 === errors){
if(data16.auto !== undefined){
const _errs40 = errors;
if(typeof data16.auto !== "boolean"){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/focus/auto",schemaPath:"#/properties/setups/items/properties/values/properties/focus/properties/auto/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid7 = _errs40 === errors;
}
else {
var valid7 = true;
}
if(valid7){
if(data16.exact !== undefined){
let data18 = data16.exact;
const _errs42 = errors;
if(errors === _errs42){
if((typeof data18 == "number") && (isFinite(data18))){
if(data18 > 8192 || isNaN(data18)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/focus/exact",schemaPath:"#/properties/setups/items/properties/values/properties/focus/properties/exact/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data18 <= 0 || isNaN(data18)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/focus/exact",schemaPath:"#/properties/setups/items/properties/values/properties/focus/properties/exact/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/focus/exact",schemaPath:"#/properties/setups/items/properties/values/properties/focus/properties/exact/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid7 = _errs42 === errors;
}
else {
var valid7 = true;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/focus",schemaPath:"#/properties/setups/items/properties/values/properties/focus/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid3 = _errs37 === errors;
}
else {
var valid3 = true;
}
if(valid3){
if(data5.meter !== undefined){
let data19 = data5.meter;
const _errs44 = errors;
if(errors === _errs44){
if(data19 && typeof data19 == "object" && !Array.isArray(data19)){
let missing6;
if((((data19.pattern === undefined) && (missing6 = "pattern")) || ((data19.spotShare === undefined) && (missing6 = "spotShare"))) || ((data19.burnShare === undefined) && (missing6 = "burnShare"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/meter",schemaPath:"#/properties/setups/items/properties/values/properties/meter/required",keyword:"required",params:{missingProperty: missing6},message:"must have required property '"+missing6+"'"}];
return false;
}
else {
const _errs46 = errors;
for(const key7 in data19){
if(!(((key7 === "pattern") || (key7 === "spotShare")) || (key7 === "burnShare"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/meter",schemaPath:"#/properties/setups/items/properties/values/properties/meter/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key7},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs46 === errors){
if(data19.pattern !== undefined){
let data20 = data19.pattern;
const _errs47 = errors;
if(!((((data20 === "evaluative") || (data20 === "centre")) || (data20 === "spot")) || (data20 === "highlight"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/meter/pattern",schemaPath:"#/properties/setups/items/properties/values/properties/meter/properties/pattern/enum",keyword:"enum",params:{allowedValues: schema11.properties.setups.items.properties.values.properties.meter.properties.pattern.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid8 = _errs47 === errors;
}
else {
var valid8 = true;
}
if(valid8){
if(data19.spotShare !== undefined){
let data21 = data19.spotShare;
const _errs48 = errors;
if(!(((data21 === 0.003) || (data21 === 0.01)) || (data21 === 0.03))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/meter/spotShare",schemaPath:"#/properties/setups/items/properties/values/properties/meter/properties/spotShare/enum",keyword:"enum",params:{allowedValues: schema11.properties.setups.items.properties.values.properties.meter.properties.spotShare.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid8 = _errs48 === errors;
}
else {
var valid8 = true;
}
if(valid8){
if(data19.burnShare !== undefined){
let data22 = data19.burnShare;
const _errs49 = errors;
if(!(((data22 === 0.0003) || (data22 === 0.001)) || (data22 === 0.01))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/meter/burnShare",schemaPath:"#/properties/setups/items/properties/values/properties/meter/properties/burnShare/enum",keyword:"enum",params:{allowedValues: schema11.properties.setups.items.properties.values.properties.meter.properties.burnShare.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid8 = _errs49 === errors;
}
else {
var valid8 = true;
}
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/meter",schemaPath:"#/properties/setups/items/properties/values/properties/meter/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid3 = _errs44 === errors;
}
else {
var valid3 = true;
}
if(valid3){
if(data5.rules !== undefined){
let data23 = data5.rules;
const _errs50 = errors;
if(errors === _errs50){
if(data23 && typeof data23 == "object" && !Array.isArray(data23)){
let missing7;
if(((((((data23.order === undefined) && (missing7 = "order")) || ((data23.steadyThirds === undefined) && (missing7 = "steadyThirds"))) || ((data23.isoCeiling === undefined) && (missing7 = "isoCeiling"))) || ((data23.shutter === undefined) && (missing7 = "shutter"))) || ((data23.iso === undefined) && (missing7 = "iso"))) || ((data23.aperture === undefined) && (missing7 = "aperture"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules",schemaPath:"#/properties/setups/items/properties/values/properties/rules/required",keyword:"required",params:{missingProperty: missing7},message:"must have required property '"+missing7+"'"}];
return false;
}
else {
const _errs52 = errors;
for(const key8 in data23){
if(!((((((key8 === "order") || (key8 === "steadyThirds")) || (key8 === "isoCeiling")) || (key8 === "shutter")) || (key8 === "iso")) || (key8 === "aperture"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules",schemaPath:"#/properties/setups/items/properties/values/properties/rules/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key8},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs52 === errors){
if(data23.order !== undefined){
let data24 = data23.order;
const _errs53 = errors;
if(errors === _errs53){
if(Array.isArray(data24)){
if(data24.length > 3){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/order",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/order/maxItems",keyword:"maxItems",params:{limit: 3},message:"must NOT have more than 3 items"}];
return false;
}
else {
if(data24.length < 3){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/order",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/order/minItems",keyword:"minItems",params:{limit: 3},message:"must NOT have fewer than 3 items"}];
return false;
}
else {
var valid10 = true;
const len1 = data24.length;
for(let i1=0; i1<len1; i1++){
let data25 = data24[i1];
const _errs55 = errors;
if(!(((data25 === "shutter") || (data25 === "aperture")) || (data25 === "iso"))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/order/" + i1,schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/order/items/enum",keyword:"enum",params:{allowedValues: schema11.properties.setups.items.properties.values.properties.rules.properties.order.items.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid10 = _errs55 === errors;
if(!valid10){
break;
}
}
if(valid10){
let i2 = data24.length;
let j0;
if(i2 > 1){
outer0:
for(;i2--;){
for(j0 = i2; j0--;){
if(func0(data24[i2], data24[j0])){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/order",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/order/uniqueItems",keyword:"uniqueItems",params:{i: i2, j: j0},message:"must NOT have duplicate items (items ## "+j0+" and "+i2+" are identical)"}];
return false;
break outer0;
}
}
}
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/order",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/order/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
var valid9 = _errs53 === errors;
}
else {
var valid9 = true;
}
if(valid9){
if(data23.steadyThirds !== undefined){
let data26 = data23.steadyThirds;
const _errs56 = errors;
if(!(((typeof data26 == "number") && (!(data26 % 1) && !isNaN(data26))) && (isFinite(data26)))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/steadyThirds",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/steadyThirds/type",keyword:"type",params:{type: "integer"},message:"must be integer"}];
return false;
}
if(errors === _errs56){
if((typeof data26 == "number") && (isFinite(data26))){
if(data26 > 6 || isNaN(data26)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/steadyThirds",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/steadyThirds/maximum",keyword:"maximum",params:{comparison: "<=", limit: 6},message:"must be <= 6"}];
return false;
}
else {
if(data26 < -6 || isNaN(data26)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/steadyThirds",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/steadyThirds/minimum",keyword:"minimum",params:{comparison: ">=", limit: -6},message:"must be >= -6"}];
return false;
}
}
}
}
var valid9 = _errs56 === errors;
}
else {
var valid9 = true;
}
if(valid9){
if(data23.isoCeiling !== undefined){
let data27 = data23.isoCeiling;
const _errs58 = errors;
if(errors === _errs58){
if((typeof data27 == "number") && (isFinite(data27))){
if(data27 > 6500 || isNaN(data27)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/isoCeiling",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/isoCeiling/maximum",keyword:"maximum",params:{comparison: "<=", limit: 6500},message:"must be <= 6500"}];
return false;
}
else {
if(data27 < 50 || isNaN(data27)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/isoCeiling",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/isoCeiling/minimum",keyword:"minimum",params:{comparison: ">=", limit: 50},message:"must be >= 50"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/isoCeiling",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/isoCeiling/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid9 = _errs58 === errors;
}
else {
var valid9 = true;
}
if(valid9){
if(data23.shutter !== undefined){
let data28 = data23.shutter;
const _errs60 = errors;
if(errors === _errs60){
if(Array.isArray(data28)){
if(data28.length > 2){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/shutter",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/shutter/maxItems",keyword:"maxItems",params:{limit: 2},message:"must NOT have more than 2 items"}];
return false;
}
else {
if(data28.length < 2){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/shutter",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/shutter/minItems",keyword:"minItems",params:{limit: 2},message:"must NOT have fewer than 2 items"}];
return false;
}
else {
var valid12 = true;
const len2 = data28.length;
for(let i3=0; i3<len2; i3++){
let data29 = data28[i3];
const _errs62 = errors;
if(errors === _errs62){
if((typeof data29 == "number") && (isFinite(data29))){
if(data29 > 8192 || isNaN(data29)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/shutter/" + i3,schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/shutter/items/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data29 <= 0 || isNaN(data29)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/shutter/" + i3,schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/shutter/items/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/shutter/" + i3,schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/shutter/items/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid12 = _errs62 === errors;
if(!valid12){
break;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/shutter",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/shutter/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
var valid9 = _errs60 === errors;
}
else {
var valid9 = true;
}
if(valid9){
if(data23.iso !== undefined){
let data30 = data23.iso;
const _errs64 = errors;
if(errors === _errs64){
if(Array.isArray(data30)){
if(data30.length > 2){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/iso",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/iso/maxItems",keyword:"maxItems",params:{limit: 2},message:"must NOT have more than 2 items"}];
return false;
}
else {
if(data30.length < 2){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/iso",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/iso/minItems",keyword:"minItems",params:{limit: 2},message:"must NOT have fewer than 2 items"}];
return false;
}
else {
var valid13 = true;
const len3 = data30.length;
for(let i4=0; i4<len3; i4++){
let data31 = data30[i4];
const _errs66 = errors;
if(errors === _errs66){
if((typeof data31 == "number") && (isFinite(data31))){
if(data31 > 8192 || isNaN(data31)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/iso/" + i4,schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/iso/items/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data31 <= 0 || isNaN(data31)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/iso/" + i4,schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/iso/items/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/iso/" + i4,schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/iso/items/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid13 = _errs66 === errors;
if(!valid13){
break;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/iso",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/iso/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
var valid9 = _errs64 === errors;
}
else {
var valid9 = true;
}
if(valid9){
if(data23.aperture !== undefined){
let data32 = data23.aperture;
const _errs68 = errors;
if(errors === _errs68){
if(Array.isArray(data32)){
if(data32.length > 2){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/aperture",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/aperture/maxItems",keyword:"maxItems",params:{limit: 2},message:"must NOT have more than 2 items"}];
return false;
}
else {
if(data32.length < 2){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/aperture",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/aperture/minItems",keyword:"minItems",params:{limit: 2},message:"must NOT have fewer than 2 items"}];
return false;
}
else {
var valid14 = true;
const len4 = data32.length;
for(let i5=0; i5<len4; i5++){
let data33 = data32[i5];
const _errs70 = errors;
if(errors === _errs70){
if((typeof data33 == "number") && (isFinite(data33))){
if(data33 > 8192 || isNaN(data33)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/aperture/" + i5,schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/aperture/items/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data33 <= 0 || isNaN(data33)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/aperture/" + i5,schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/aperture/items/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/aperture/" + i5,schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/aperture/items/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid14 = _errs70 === errors;
if(!valid14){
break;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules/aperture",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/aperture/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
var valid9 = _errs68 === errors;
}
else {
var valid9 = true;
}
}
}
}
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/rules",schemaPath:"#/properties/setups/items/properties/values/properties/rules/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid3 = _errs50 === errors;
}
else {
var valid3 = true;
}
if(valid3){
if(data5.filterStops !== undefined){
let data34 = data5.filterStops;
const _errs72 = errors;
if(errors === _errs72){
if((typeof data34 == "number") && (isFinite(data34))){
if(data34 > 20 || isNaN(data34)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/filterStops",schemaPath:"#/properties/setups/items/properties/values/properties/filterStops/maximum",keyword:"maximum",params:{comparison: "<=", limit: 20},message:"must be <= 20"}];
return false;
}
else {
if(data34 < 0 || isNaN(data34)){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/filterStops",schemaPath:"#/properties/setups/items/properties/values/properties/filterStops/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/filterStops",schemaPath:"#/properties/setups/items/properties/values/properties/filterStops/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid3 = _errs72 === errors;
}
else {
var valid3 = true;
}
if(valid3){
if(data5.delayS !== undefined){
let data35 = data5.delayS;
const _errs74 = errors;
if(!((((data35 === 0) || (data35 === 2)) || (data35 === 5)) || (data35 === 10))){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/delayS",schemaPath:"#/properties/setups/items/properties/values/properties/delayS/enum",keyword:"enum",params:{allowedValues: schema11.properties.setups.items.properties.values.properties.delayS.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid3 = _errs74 === errors;
}
else {
var valid3 = true;
}
if(valid3){
if(data5.lock !== undefined){
const _errs75 = errors;
if(typeof data5.lock !== "boolean"){
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values/lock",schemaPath:"#/properties/setups/items/properties/values/properties/lock/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid3 = _errs75 === errors;
}
else {
var valid3 = true;
}
}
}
}
}
}
}
}
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0+"/values",schemaPath:"#/properties/setups/items/properties/values/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid2 = _errs11 === errors;
}
else {
var valid2 = true;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups/" + i0,schemaPath:"#/properties/setups/items/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid1 = _errs6 === errors;
if(!valid1){
break;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/setups",schemaPath:"#/properties/setups/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
var valid0 = _errs4 === errors;
}
else {
var valid0 = true;
}
}
}
}
}
}
else {
validate10.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
validate10.errors = vErrors;
return errors === 0;
}
