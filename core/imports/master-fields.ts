import { languages } from '../money/format'
import { choice, needed, of, text, type ImportField } from './field'

/** Of a customer. */
export const customerFields: readonly ImportField[] = [
  needed(
    text(
      'number',
      'Number',
      40,
      'customernumber',
      'customerno',
      'kundennummer',
      'kundennr',
      'numclient',
      'no',
      'id',
    ),
  ),
  needed(text('name', 'Name', 120, 'company', 'firma', 'kunde', 'customer', 'nom', 'raisonsociale')),
  text('group', 'Group', 60, 'gruppe', 'groupe', 'category'),
  choice('language', 'Language', languages, 'sprache', 'langue', 'lang'),
  of('currency', 'currency', 'Currency', 'waehrung', 'währung', 'devise'),
  needed(of('country', 'country', 'Country', 'land', 'pays')),
  text('attention', 'For the attention of', 80, 'attn', 'zuhanden', 'contactperson'),
  text('street', 'Street', 80, 'address', 'address1', 'strasse', 'straße', 'adresse', 'rue'),
  text('town', 'Town with postcode', 80, 'city', 'address2', 'ort', 'ville', 'plzort'),
  text('region', 'Region', 80, 'county', 'address3', 'state'),
  text('taxNumber', 'VAT number', 40, 'vatnumber', 'vat', 'ustidnr', 'ustid', 'tva'),
  text('salesperson', 'Salesperson', 80, 'verkaeufer', 'verkäufer', 'vendeur'),
  of('number', 'termsDays', 'Pays within days', 'terms', 'days', 'zahlungsziel', 'delai'),
  text(
    'mandate',
    'Direct debit mandate',
    35,
    'mandatereference',
    'mandat',
    'mandatsreferenz',
    'lastschriftmandat',
    'sepamandate',
    'rum',
  ),
  of('email', 'email', 'Email of the billing contact', 'mail', 'emailaddress', 'courriel'),
  text('contact', 'Name of the billing contact', 80, 'contactname', 'ansprechpartner'),
]

/** Of an item. */
export const itemFields: readonly ImportField[] = [
  needed(text('code', 'Code', 60, 'item', 'sku', 'artikel', 'artikelnummer', 'article', 'itemcode')),
  needed(text('name', 'Name, English', 300, 'description', 'nameen')),
  text('nameDe', 'Name, German', 300, 'bezeichnung', 'beschreibung'),
  text('nameFr', 'Name, French', 300, 'designation', 'désignation'),
  text('unit', 'Unit', 20, 'einheit', 'unite', 'unité'),
  needed(of('number', 'price', 'Price', 'unitprice', 'preis', 'prix', 'net')),
  needed(text('taxCode', 'Tax code', 40, 'tax', 'vatcode', 'steuer', 'tva')),
  text('gtin', 'GTIN', 14, 'ean', 'barcode', 'upc'),
  of('number', 'weight', 'Weight, kilograms', 'kg', 'gewicht', 'poids'),
  text('size', 'Size', 60, 'dimensions', 'groesse', 'größe', 'taille'),
  text('commodityCode', 'Commodity code', 20, 'hscode', 'cncode', 'warennummer', 'zolltarifnummer'),
  of('country', 'origin', 'Country of origin', 'madein', 'ursprung', 'ursprungsland', 'origine'),
  text('place', 'Where it lies', 60, 'bin', 'shelf', 'lagerplatz', 'emplacement'),
  text(
    'options',
    'Choices, like “Colour: green, blue; Size: S, L”',
    600,
    'choices',
    'variants',
    'optionen',
    'varianten',
  ),
  text('category', 'Category', 60, 'warengruppe', 'categorie', 'catégorie'),
]
